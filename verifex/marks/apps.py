from django.apps import AppConfig


class MarksConfig(AppConfig):
    name = "verifex.marks"
    default_auto_field = "django.db.models.BigAutoField"
