from django.apps import AppConfig


class SetUpConfig(AppConfig):
    name = "verifex.set_up"
