from django.apps import AppConfig


class DocketsConfig(AppConfig):
    name = "verifex.dockets"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        from verifex.dockets import judging  # noqa: F401  registers the kinds of work of the queue
