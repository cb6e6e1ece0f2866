from django.apps import AppConfig


class ActsConfig(AppConfig):
    name = "verifex.acts"
    default_auto_field = "django.db.models.BigAutoField"
