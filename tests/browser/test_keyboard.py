"""The three roles do their work by keyboard only: no mouse, no focus that is lost, hidden or trapped."""

from playwright.sync_api import Page

from tests.browser.base import BrowserCase
from tests.demo_data import PASSWORD

#: What Tab stops at: the first of a group of radio buttons or tabs stands for the group.
WALK = """() => {
  const at = document.activeElement
  if (!at || at === document.body) return null
  const box = at.getBoundingClientRect(), style = getComputedStyle(at)
  const ring = (s) => s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) > 0 || s.boxShadow !== 'none'
  let shown = ring(style), up = at
  for (let i = 0; i < 4 && !shown && (up = up.parentElement); i++) shown = ring(getComputedStyle(up))
  window.__at ??= []
  const seen = window.__at.includes(at)
  window.__at.push(at)
  const inside = box.bottom > 0 && box.top < innerHeight && box.right > 0 && box.left < innerWidth
  return {
    seen, shown, inside: inside && box.width > 0 && style.visibility !== 'hidden',
    name: `${at.tagName} ${(at.getAttribute('aria-label') || at.textContent || at.id).trim().slice(0, 50)}`,
  }
}"""
MOST_STOPS = 400


class KeyboardCase(BrowserCase):
    def tab_to(self, page: Page, what: str) -> None:
        """Tab on until what has the focus reads `what`, as somebody does who has no mouse."""
        passed = []
        for _ in range(MOST_STOPS):
            page.keyboard.press("Tab")
            name = page.evaluate(
                """() => { const at = document.activeElement
                  const label = at.labels?.[0]?.textContent ?? ''
                  return `${at.getAttribute('aria-label') ?? ''} ${label} ${at.textContent}`.trim() }"""
            )
            if what in name and not page.evaluate("document.activeElement.querySelector('a, button, input')"):
                return
            passed.append(name[:40])
        self.fail(f"Tab never came to “{what}”; it came past {passed[:60]}")


class FocusTest(KeyboardCase):
    maxDiff = None

    def walk(self, page: Page, path: str) -> list[str]:
        """Tab once through a page; what stops it, hides it or shows no ring."""
        page.goto(self.live_server_url + path)
        page.locator("h1, h2").first.wait_for()
        page.wait_for_load_state("networkidle")
        wrong = []
        for _ in range(MOST_STOPS):
            page.keyboard.press("Tab")
            at = page.evaluate(WALK)
            if at is None or at["seen"]:
                break
            if not at["shown"]:
                wrong.append(f"{path}: no ring on {at['name']}")
            if not at["inside"]:
                wrong.append(f"{path}: out of sight: {at['name']}")
        else:
            wrong.append(f"{path}: no end after {MOST_STOPS} stops")
        if at is not None and page.evaluate("window.__at.length > 1 && window.__at.at(-1) !== window.__at[0]"):
            wrong.append(f"{path}: trapped at {at['name']}")
        return wrong

    def test_every_stop_is_seen_and_none_is_a_trap(self):
        page = self.page_for("ines.marlow", "/floor")
        n = self.docket(2).pk
        paths = ["/floor", "/hatch", "/marks", "/exercises", "/sums/divider", "/set-up/people", "/set-up/session",
                 f"/dockets/{n}/wiring", f"/dockets/{self.docket(7).pk}/program",
                 f"/dockets/{self.docket(7).pk}/readings", f"/dockets/{self.docket(10).pk}/mark"]  # fmt: skip
        self.assertEqual([what for path in paths for what in self.walk(page, path)], [])
        pair = self.page_for("leo.castell", "/my-bench")
        paths = [f"/my-bench?station={name}" for name in ("kit", "wiring", "program", "mark")]
        self.assertEqual([what for path in paths for what in self.walk(pair, path)], [])


class RolesTest(KeyboardCase):
    def test_an_instructor_goes_to_a_bench_looks_at_views_and_measures(self):
        page = self.open(self.context(), "/log-in")
        page.locator("#name:focus").wait_for()
        page.keyboard.type("ines.marlow")
        page.keyboard.press("Tab")
        page.keyboard.type(PASSWORD)
        page.keyboard.press("Enter")
        page.get_by_role("button", name="Open bench 2").wait_for()
        self.tab_to(page, "Bench 6")
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Mahlaba · Stone", level=1).wait_for()
        self.tab_to(page, "Wiring")
        page.keyboard.press("Enter")
        page.get_by_role("tab", name="Currents").wait_for()
        self.tab_to(page, "Board map")
        page.keyboard.press("ArrowRight")
        page.keyboard.press("Enter")
        page.get_by_role("tab", name="Board map", selected=False).wait_for()
        self.tab_to(page, "Power")
        page.keyboard.press("Enter")
        page.get_by_label("rail").or_(page.locator("#measure-rail")).first.wait_for()
        self.tab_to(page, "Supply")
        page.keyboard.type("4.95")
        page.keyboard.press("Enter")
        page.get_by_text("4.95 V").first.wait_for()

    def test_a_store_keeper_hands_out_and_substitutes_a_resistor(self):
        page = self.page_for("tomas.reed", "/hatch")
        page.locator("#code:focus").wait_for()
        self.tab_to(page, "HB-13 is complete now")
        page.keyboard.press("Enter")
        page.get_by_role("button", name="HB-13 is complete now").wait_for(state="detached")
        self.tab_to(page, "Substitute")
        page.keyboard.press("Enter")
        self.tab_to(page, "Kit, its tag")
        page.keyboard.type("HB-05")
        self.expected_refusals = 1  # while the tag is half typed
        self.tab_to(page, "Value given")
        page.keyboard.type("360")
        self.tab_to(page, "Why")
        page.keyboard.type("no 330 left")
        self.tab_to(page, "Record the substitution")
        page.keyboard.press("Enter")
        page.get_by_role("status").get_by_text("HB-05").first.wait_for()

    def test_a_pair_writes_a_draft_and_leaves_the_editor_again(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").wait_for()
        self.tab_to(page, "Write attempt 3")
        page.keyboard.press("Enter")
        page.get_by_label("Places, line 6").wait_for()
        self.tab_to(page, "Text")
        page.keyboard.press("Enter")
        page.locator(".cm-content[contenteditable=true]").wait_for()
        self.tab_to(page, "Hand in attempt 3")
        page.keyboard.press("Enter")
        page.get_by_text("Attempt 3, handed in by Leo Castell").wait_for()
