from django.contrib import admin

from verifex.plan.models import Room, Seat, Session

admin.site.register([Room, Session, Seat])
