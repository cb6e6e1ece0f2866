"""The automatic check of accessibility finds nothing: in every place, view, dialog and menu, light and dark."""

from axe_playwright_python.sync_playwright import Axe
from playwright.sync_api import Page

from tests.browser.base import BrowserCase

SET_UP = tuple(
    f"/set-up/{part}" for part in ("people", "pairs", "room", "exercise", "kits", "session", "course", "records")
)
STORES = tuple(
    f"/hatch?view={view}" for view in ("modules", "drawers", "faults", "coming-sessions", "labels-and-tables")
)
STAFF = ("/floor", "/hatch", *STORES, "/marks", "/exercises", "/sums", "/sums/base", "/account", "/join", *SET_UP)
VIEWS = {
    2: ("kit", "wiring", "wiring?view=currents", "wiring?view=resistors", "wiring?view=compare", "wiring?view=hand-in", "power"),
    7: ("program", "program?view=flow-chart", "program?view=run-on-the-twin", "readings", "readings?view=log",
        "readings?view=tolerance-budget"),
    10: ("mark", "feedback"),
}  # fmt: skip

ALL_RULES = ("wcag2a", "wcag2aa", "wcag22aa", "best-practice")
COLOURS = ("color-contrast", "link-in-text-block")


class AccessibilityTest(BrowserCase):
    maxDiff = None

    def check(self, page: Page, where: str, rules: tuple[str, ...] = ALL_RULES) -> list[str]:
        page.locator("h1, h2").first.wait_for()
        page.wait_for_load_state("networkidle")
        # What is fading in has no contrast of its own yet.
        page.wait_for_timeout(60)
        page.evaluate("Promise.allSettled(document.getAnimations().map((a) => a.finished))")
        results = Axe().run(page, options={"runOnly": list(rules)})
        return [f"{where}: {v['id']}: {v['nodes'][0]['html'][:140]}" for v in results.response["violations"]]

    def visit(self, page: Page, path: str, rules: tuple[str, ...] = ALL_RULES) -> list[str]:
        page.goto(self.live_server_url + path)
        return self.check(page, path, rules)

    def test_every_place_of_staff_in_both_themes(self):
        paths = [*STAFF, *(f"/dockets/{self.docket(b).pk}/{view}" for b, views in VIEWS.items() for view in views)]
        found = []
        for theme, rules in (("light", ALL_RULES), ("dark", COLOURS)):  # a theme changes colours only
            page = self.page_for("ines.marlow", "/floor", color_scheme=theme)
            found += [f"{theme} {what}" for path in paths for what in self.visit(page, path, rules)]
        self.assertEqual(found, [])

    def test_every_station_of_a_pair_on_a_phone(self):
        page = self.page_for("bela.quist", "/my-bench", width=390, height=844)
        stations = ("kit", "wiring", "power", "program", "readings", "mark")
        self.assertEqual([w for name in stations for w in self.visit(page, f"/my-bench?station={name}")], [])

    def test_dialogs_and_forms_of_the_stores(self):
        page = self.page_for("tomas.reed", "/hatch?view=modules")
        found = []
        for view, opener in (("modules", "T-06"), ("modules", "Tag modules…"), ("modules", "Batches…"), ("drawers", "Add a thing…"),
                             ("drawers", "100 Ω resistor"), ("labels-and-tables", "Import Modules")):  # fmt: skip
            page.goto(f"{self.live_server_url}/hatch?view={view}")
            page.get_by_role("button", name=opener).click()
            page.get_by_role("dialog").wait_for()
            found += self.check(page, opener)
        page.goto(f"{self.live_server_url}/hatch?view=drawers")
        page.get_by_role("button", name="Count the drawers").click()
        found += self.check(page, "counting")
        page.goto(f"{self.live_server_url}/hatch?kit=HB-07")
        page.get_by_role("button", name="Replace").click()
        page.get_by_label("Why").wait_for()
        found += self.check(page, "replace")
        self.assertEqual(found, [])

    def test_dialogs_and_menus(self):
        page = self.page_for("ines.marlow", "/floor")
        found = []
        for opener in ("Papers", "Pass 1 clean"):
            page.get_by_role("button", name=opener).click()
            page.get_by_role("dialog").wait_for()
            found += self.check(page, opener)
            page.keyboard.press("Escape")
            page.get_by_role("dialog").wait_for(state="detached")
            self.assertEqual(page.evaluate("document.activeElement.textContent.trim()"), opener)
        page.keyboard.press("?")
        page.get_by_role("dialog", name="Keys here").wait_for()
        found += self.check(page, "keys")
        page.keyboard.press("Escape")
        page.get_by_role("button", name="Ines Marlow: account").click()
        page.get_by_role("menuitem", name="Log out").wait_for()
        found += self.check(page, "account menu")
        page.keyboard.press("Escape")
        page.get_by_role("menuitem", name="Log out").wait_for(state="detached")
        page.keyboard.press("/")
        page.keyboard.type("ca")
        page.get_by_role("option").first.wait_for()
        found += self.check(page, "jump line")
        page.goto(f"{self.live_server_url}/exercises")
        page.get_by_role("button", name="Import a file").click()
        page.get_by_role("dialog", name="Import an exercise").wait_for()
        found += self.check(page, "import")
        page.goto(f"{self.live_server_url}/dockets/{self.docket(2).pk}/wiring")
        page.get_by_role("button", name="Overrule the Stop").click()
        page.get_by_role("dialog").wait_for()
        found += self.check(page, "overrule")
        self.assertEqual(found, [])
