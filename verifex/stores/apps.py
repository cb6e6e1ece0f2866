from django.apps import AppConfig


class StoresConfig(AppConfig):
    name = "verifex.stores"
    default_auto_field = "django.db.models.BigAutoField"
