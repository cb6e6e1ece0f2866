"""Runs every test with Django's test runner; the last line is `N passed, N failed`. TIMES=1 prints the slowest."""

import os
import sys
from typing import Any

AT_ONCE = ["tests.core", "tests.site", "tests.browser", "tests.test_house"]
ALONE = "tests.workers"


def main() -> int:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings_test")
    import django

    django.setup()
    from tests.times import TimedRunner, keep, report

    class CountingRunner(TimedRunner):
        def suite_result(self, suite: Any, result: Any, **kwargs: Any) -> int:
            self.failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
            self.passed = result.testsRun - self.failed - len(result.skipped)
            self.skipped = [f"skipped: {test}: {why}" for test, why in result.skipped]
            return self.failed

    # Tests of the worker processes start children of their own, which the processes of a parallel run may not.
    asked = sys.argv[1:]
    at_once = [label for label in asked or AT_ONCE if not label.startswith(ALONE)]
    alone = [label for label in asked or [ALONE] if label.startswith(ALONE)]
    passed = failed = 0
    for labels, parallel in ((at_once, 2), (alone, 0)):
        if labels:
            runner = CountingRunner(parallel=parallel, interactive=False, verbosity=1)
            runner.run_tests(labels)
            passed, failed = passed + runner.passed, failed + runner.failed
            print("\n".join(runner.skipped), end="\n" if runner.skipped else "")
    keep()
    if os.environ.get("TIMES"):
        print(report())
    print(f"{passed} passed, {failed} failed")
    return 1 if failed or not passed else 0


if __name__ == "__main__":
    sys.exit(main())
