from django.apps import AppConfig


class PapersConfig(AppConfig):
    name = "verifex.papers"

    def ready(self) -> None:
        from verifex.papers import jobs  # noqa: F401  registers the kinds of long work
