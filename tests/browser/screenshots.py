"""`make screenshots`: one current picture of each main view, from the demo course, into docs/screenshots/."""

import os
import sys
from pathlib import Path

SHOTS = Path(__file__).parent.parent.parent / "docs" / "screenshots"

#: name, who, path ({n} is the docket of bench n), size, theme, clicks
VIEWS: list[tuple[str, str, str, tuple[int, int], str, list[str]]] = [
    ("floor", "ines.marlow", "/floor", (1280, 800), "light", []),
    ("floor-table", "ines.marlow", "/floor", (1280, 800), "light", ["text=Table"]),
    ("hatch", "tomas.reed", "/hatch", (1280, 800), "light", []),
    ("wiring", "ines.marlow", "/dockets/{2}/wiring", (1280, 800), "light", []),
    ("wiring-entry", "ines.marlow", "/dockets/{5}/wiring", (1280, 800), "light", ["role=tab[name='Hand-in']"]),
    ("currents", "ines.marlow", "/dockets/{1}/wiring", (1280, 800), "dark",
     ["role=tab[name='Currents']", "[role=group][aria-label=D8] >> text=high"]),
    ("compare", "ines.marlow", "/dockets/{5}/wiring", (1280, 800), "light", ["role=tab[name='Compare']"]),
    ("sums", "ines.marlow", "/sums/divider", (1280, 800), "light", []),
    ("power", "ines.marlow", "/dockets/{6}/power", (1280, 800), "light", []),
    ("program", "ines.marlow", "/dockets/{8}/program", (1280, 800), "light", []),
    ("run", "ines.marlow", "/dockets/{4}/program", (1280, 800), "light", ["text=Run on the twin"]),
    ("readings", "ines.marlow", "/dockets/{7}/readings", (1280, 800), "light", []),
    ("mark", "ines.marlow", "/dockets/{7}/mark", (1280, 800), "light", []),
    ("feedback", "ines.marlow", "/dockets/{10}/feedback", (1280, 800), "light", []),
    ("marks", "ines.marlow", "/marks", (1280, 800), "light", []),
    ("exercise", "ines.marlow", "/exercises", (1280, 800), "light", ["text=Lid-open watch"]),
    ("budget", "ines.marlow", "/exercises", (1280, 800), "dark", ["text=Smoke-room air", "role=tab[name='Budget']"]),
    ("my-bench-phone", "leo.castell", "/my-bench", (390, 844), "light", []),
    ("round-phone", "ines.marlow", "/floor", (390, 844), "dark", []),
]  # fmt: skip


def main() -> int:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings_test")
    import re
    import unittest

    import django

    django.setup()
    from django.test.runner import DiscoverRunner

    from tests.browser.base import BrowserCase

    class Pictures(BrowserCase):
        def test_take(self):
            for name, who, path, (width, height), theme, clicks in VIEWS:
                path = re.sub(r"\{(\d+)\}", lambda m: str(self.docket(int(m.group(1))).pk), path)
                page = self.page_for(who, "/log-in", width=width, height=height)
                page.evaluate(f"localStorage.setItem('verifex-mode', '{theme}')")
                page.goto(self.live_server_url + path)
                page.wait_for_load_state("networkidle")
                for click in clicks:
                    page.click(click)
                page.wait_for_timeout(700)
                page.screenshot(path=SHOTS / f"{name}.png", animations="disabled")
                page.context.close()

    SHOTS.mkdir(parents=True, exist_ok=True)
    runner = DiscoverRunner(interactive=False, verbosity=0)
    databases = runner.setup_databases()
    result = unittest.TextTestRunner(verbosity=0).run(unittest.TestSuite([Pictures("test_take")]))
    runner.teardown_databases(databases)
    return 0 if result.wasSuccessful() else 1


if __name__ == "__main__":
    sys.exit(main())
