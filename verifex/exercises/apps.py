from django.apps import AppConfig


class ExercisesConfig(AppConfig):
    name = "verifex.exercises"
    default_auto_field = "django.db.models.BigAutoField"
