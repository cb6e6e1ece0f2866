"""`make screenshots`: one current picture of each main view, from the demo course, into docs/screenshots/; setting up a class
is one picture of twelve views, from an empty installation."""

import os
import sys
from base64 import b64encode
from pathlib import Path

SHOTS = Path(__file__).parent.parent.parent / "docs" / "screenshots"

#: name, who, path ({n} is the docket of bench n), size, theme, clicks
VIEWS: list[tuple[str, str, str, tuple[int, int], str, list[str]]] = [
    ("floor", "ines.marlow", "/floor", (1280, 800), "light", []),
    ("hatch", "tomas.reed", "/hatch", (1280, 800), "light", []),
    ("wiring", "ines.marlow", "/dockets/{2}/wiring", (1280, 800), "light", []),
    ("wiring-entry", "ines.marlow", "/dockets/{5}/wiring", (1280, 800), "light", ["role=tab[name='Hand-in']"]),
    ("currents", "ines.marlow", "/dockets/{1}/wiring", (1280, 800), "dark",
     ["role=tab[name='Currents']", "[role=group][aria-label=D8] >> text=high"]),
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

#: Views of setting up a class, in the order the work comes.
SET_UP = {
    "first-start": "The first instructor",
    "import": "A class list, in whatever columns",
    "people": "People",
    "pairs": "Pairs",
    "room": "The room as it is",
    "exercise": "Exercises to begin with",
    "kits": "Kits",
    "session": "A session: seats, exercises, who is absent",
    "wall": "The code on the wall",
    "course": "Course, sections and staff",
    "records": "Copies and event log",
    "join": "Joining on a phone",
}
#: Views of the stores beside the hatch, with the clicks that lead there.
STORES = {
    "Modules": ("modules", []),
    "A module and its calibrations": ("modules", ["role=button[name='T-06']"]),
    "Drawers, being counted": ("drawers", ["role=button[name='Count the drawers']"]),
    "Faults": ("faults", []),
    "Coming sessions and orders": ("coming-sessions", []),
    "Labels and tables": ("labels-and-tables", []),
}
SET_UP_STYLE = """
body { margin: 0; background: #d8d1c2; font: 15px sans-serif; color: #1f2430; }
main { display: grid; grid-template-columns: repeat(3, 1fr); gap: 18px; padding: 18px; }
figure { margin: 0; } img { width: 100%; height: 292px; object-fit: contain; object-position: top; background: #f4f1ea; display: block; border-radius: 6px; } figcaption { padding: 6px 2px; }
"""


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

    def together(case, name, taken):
        """Several pictures with their words as one."""
        page = case.context(1440, 1380).new_page()
        figures = "".join(
            f"<figure><img src='data:image/png;base64,{b64encode(picture).decode()}'><figcaption>{words}</figcaption></figure>"
            for words, picture in taken
        )
        page.set_content(f"<style>{SET_UP_STYLE}</style><main>{figures}</main>")
        page.locator("main").screenshot(path=SHOTS / f"{name}.png")

    class StoresPictures(BrowserCase):
        def test_take(self):
            taken = []
            for words, (view, clicks) in STORES.items():
                page = self.page_for("tomas.reed", f"/hatch?view={view}")
                page.wait_for_load_state("networkidle")
                for click in clicks:
                    page.click(click)
                page.wait_for_timeout(700)
                taken.append((words, page.screenshot(animations="disabled")))
                page.context.close()
            together(self, "stores", taken)

    from tests.browser.test_own_class import OwnClassTest

    class SetUpPictures(OwnClassTest):
        def shot(self, page, name):
            if name in SET_UP:
                page.wait_for_timeout(400)
                self.taken = {**getattr(self, "taken", {}), name: page.screenshot(animations="disabled")}

        def test_take(self):
            self.test_from_nothing_to_a_mark()
            together(self, "set-up", [(words, self.taken[name]) for name, words in SET_UP.items()])

    SHOTS.mkdir(parents=True, exist_ok=True)
    runner = DiscoverRunner(interactive=False, verbosity=0)
    databases = runner.setup_databases()
    result = unittest.TextTestRunner(verbosity=0).run(
        unittest.TestSuite([Pictures("test_take"), StoresPictures("test_take"), SetUpPictures("test_take")])
    )
    runner.teardown_databases(databases)
    return 0 if result.wasSuccessful() else 1


if __name__ == "__main__":
    sys.exit(main())
