from django.apps import AppConfig


class PeopleConfig(AppConfig):
    name = "verifex.people"
    default_auto_field = "django.db.models.BigAutoField"
