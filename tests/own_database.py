"""A database of its own for what runs outside of the test runner: benchmarks, and the recording of answers."""

import os
from collections.abc import Iterator
from contextlib import contextmanager


@contextmanager
def own_database() -> Iterator[None]:
    """Django set up on an empty database that is gone afterwards. Models are imported inside, not before."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings_test")
    import django

    django.setup()
    from django.test.runner import DiscoverRunner

    runner = DiscoverRunner(interactive=False, verbosity=0)
    runner.setup_test_environment()
    databases = runner.setup_databases()
    try:
        yield
    finally:
        runner.teardown_databases(databases)
        runner.teardown_test_environment()
