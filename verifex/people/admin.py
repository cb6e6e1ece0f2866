from django.contrib import admin
from django.contrib.auth.admin import UserAdmin

from verifex.people.models import Course, Event, Pair, PairMember, Section, Staff, User
from verifex.people.read_only_admin import show_only

admin.site.register(User, UserAdmin)
admin.site.register([Course, Section, Staff, Pair, PairMember])
show_only(Event)
