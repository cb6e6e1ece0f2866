"""Runs every test with Django's test runner; the last line is `N passed, N failed`."""

import os
import sys
from typing import Any


def main() -> int:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings_test")
    import django

    django.setup()
    from django.test.runner import DiscoverRunner

    class CountingRunner(DiscoverRunner):
        def suite_result(self, suite: Any, result: Any, **kwargs: Any) -> int:
            self.failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
            self.passed = result.testsRun - self.failed - len(result.skipped)
            self.skipped = [f"skipped: {test}: {why}" for test, why in result.skipped]
            return self.failed

    runner = CountingRunner(parallel=2, interactive=False, verbosity=1)
    runner.run_tests(sys.argv[1:] or ["tests"])
    for line in runner.skipped:
        print(line)
    print(f"{runner.passed} passed, {runner.failed} failed")
    return 1 if runner.failed or not runner.passed else 0


if __name__ == "__main__":
    sys.exit(main())
