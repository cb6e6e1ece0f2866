from django.apps import AppConfig


class DocketsConfig(AppConfig):
    name = "verifex.dockets"
    default_auto_field = "django.db.models.BigAutoField"
