from django.apps import AppConfig


class PlanConfig(AppConfig):
    name = "verifex.plan"
    default_auto_field = "django.db.models.BigAutoField"
