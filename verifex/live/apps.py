from django.apps import AppConfig


class LiveConfig(AppConfig):
    name = "verifex.live"
    default_auto_field = "django.db.models.BigAutoField"
