from django.apps import AppConfig


class SetUpConfig(AppConfig):
    name = "verifex.set_up"

    def ready(self) -> None:
        from verifex.set_up.privacy import forget_what_is_over
        from verifex.work.daily import regularly

        regularly(forget_what_is_over)
