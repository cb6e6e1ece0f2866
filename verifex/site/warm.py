"""What every answer needs and takes long the first time, done before the first request comes."""

MOST_EXERCISES = 12


def warm() -> None:
    """Read the catalogue, the addresses, and the exercises that were released last. Wants Django to be set up."""
    from django.db import DatabaseError, connection
    from django.urls import get_resolver

    from verifex.core.parts import catalogue
    from verifex.exercises.models import ExerciseVersion

    catalogue()
    for pattern in get_resolver().url_patterns:
        _ = getattr(pattern, "url_patterns", None)
    released = ExerciseVersion.objects.filter(released_at__isnull=False).order_by("-released_at")
    try:
        for version in released[:MOST_EXERCISES]:
            _ = version.file
    except DatabaseError:  # a database that is not set up yet is reported by the first answer
        pass
    finally:
        connection.close()
