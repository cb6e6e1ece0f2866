from django.contrib import admin

from verifex.dockets.models import Attempt, Clearance, Decision, Docket, Judgement, Measurement, StationState

admin.site.register([Attempt, Clearance, Decision, Docket, Judgement, Measurement, StationState])
