from django.contrib import admin

from verifex.exercises.models import Exercise, ExerciseVersion, MarkScheme

admin.site.register([Exercise, ExerciseVersion, MarkScheme])
