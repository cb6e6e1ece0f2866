from django.contrib import admin
from django.contrib.auth.admin import UserAdmin

from verifex.people.models import Course, Pair, PairMember, Section, Staff, User

admin.site.register(User, UserAdmin)
admin.site.register([Course, Section, Staff, Pair, PairMember])
