from django.contrib import admin

from verifex.marks.models import GivenMark, Proposal, StudentMark

admin.site.register([GivenMark, Proposal, StudentMark])
