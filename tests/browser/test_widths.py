"""Nothing runs off the side: every place at the widths of a tablet, a phone, a small phone, and at 200 % zoom."""

from tests.browser.base import BrowserCase
from verifex.exercises.models import Exercise
from verifex.people.models import Course, Pair, Section, User
from verifex.plan.models import Room
from verifex.stores.models import Fault, StockItem

WIDTHS = {820: 1180, 640: 400, 390: 844, 320: 700}  # 640 by 400 is 1280 by 800 at 200 %
STATIONS = ("kit", "wiring", "power", "program", "readings", "mark")
TOO_WIDE = """() => {
  const most = document.documentElement.clientWidth
  const wide = document.documentElement.scrollWidth
  if (wide <= most) return []
  const named = [...document.querySelectorAll('main *, header *')]
    .filter((e) => e.getBoundingClientRect().right > most + 1 && !e.closest('nav, .wrap, .scroll, .tabs, .panel, .inside'))
    .slice(0, 4).map((e) => `${e.tagName}.${e.className} ${Math.round(e.getBoundingClientRect().right)}`)
  return named.length ? named : [`the page is ${wide} wide`] // by something that is not seen
}"""


class WidthsTest(BrowserCase):
    maxDiff = None

    def too_wide(self, username: str, paths: list[str], widths: dict[int, int] | None = None) -> list[str]:
        found = []
        page = self.page_for(username, paths[0])
        for path in paths:
            page.goto(self.live_server_url + path)
            page.locator("h1, h2").first.wait_for()
            page.wait_for_load_state("networkidle")
            for width, height in (widths or WIDTHS).items():
                page.set_viewport_size({"width": width, "height": height})
                page.wait_for_timeout(120)
                found += [f"{path} at {width}: {what}" for what in page.evaluate(TOO_WIDE)]
        return found

    def places_of_staff(self) -> list[str]:
        two, seven, ten = (f"/dockets/{self.docket(bench).pk}" for bench in (2, 7, 10))
        hatch = [f"/hatch?view={view}" for view in ("modules", "drawers", "coming-sessions")]
        set_up = [
            f"/set-up/{part}"
            for part in ("people", "pairs", "room", "exercise", "kits", "session", "course", "records")
        ]
        stations = [f"{two}/{name}" for name in ("kit", "wiring", "power")]
        stations += [f"{two}/wiring?view={view}" for view in ("currents", "resistors", "compare", "hand-in")]
        stations += [f"{seven}/program", f"{seven}/program?view=run-on-the-twin", f"{seven}/readings", f"{ten}/mark"]
        others = ["/floor", "/hatch", "/marks", "/exercises", "/sums", "/sums/divider", "/account", "/join"]
        return [*others, *hatch, *set_up, *stations, f"{ten}/feedback"]

    def test_of_staff(self):
        self.assertEqual(self.too_wide("ines.marlow", self.places_of_staff()), [])

    def test_the_present_place_is_in_view_in_every_row_of_links(self):
        page = self.page_for("ines.marlow", "/set-up/session", width=390, height=844)
        for path in ("/set-up/session", "/set-up/people", "/sums", "/floor"):
            page.goto(self.live_server_url + path)
            page.locator("h1, h2").first.wait_for()
            page.wait_for_timeout(150)
            for link in page.locator("nav [aria-current]").all():
                left, right = link.evaluate(
                    "(it) => [it.getBoundingClientRect().left, it.getBoundingClientRect().right]"
                )
                self.assertTrue(left >= 0 and right <= 390, f"{path}: {link.inner_text()} {left} {right}")

    def test_marks_need_no_scrolling_on_a_tablet(self):
        page = self.page_for("ines.marlow", "/marks", width=820, height=1180)
        table = page.locator(".wrap", has=page.get_by_role("table"))
        table.get_by_role("cell", name="closed").wait_for()
        self.assertLessEqual(*table.evaluate("(box) => [box.scrollWidth, box.clientWidth]"))

    def test_with_names_of_two_hundred_letters(self):
        """Unbroken, as a name or a title can be: each is cut or wrapped where it stands."""
        User.objects.update(first_name="W" * 100, last_name="V" * 100)
        for badge in ("P-02", "P-07", "P-10"):
            Pair.objects.filter(badge=badge).update(name=badge + "N" * 76)
        Course.objects.update(title="T" * 120)
        Section.objects.update(name="S" * 60)
        Exercise.objects.update(title="E" * 120)
        Room.objects.update(name="R" * 60)
        StockItem.objects.filter(ohms=330).update(title="D" * 80)
        Fault.objects.update(what="F" * 80)
        two_of_them = {1280: 800, 320: 700}
        self.assertEqual(self.too_wide("ines.marlow", self.places_of_staff(), two_of_them), [])
        stations = [f"/my-bench?station={name}" for name in STATIONS]
        self.assertEqual(self.too_wide("bela.quist", stations, two_of_them), [])
        page = self.page_for("ines.marlow", "/floor")
        page.set_viewport_size({"width": 1280, "height": 800})
        for place in ("Floor", "Hatch", "Exercises", "Marks", "Sums", "Set-up"):
            box = page.get_by_role("link", name=place, exact=True).bounding_box()
            self.assertTrue(box and 0 <= box["x"] < 900, place)

    def test_of_a_pair(self):
        self.assertEqual(self.too_wide("bela.quist", [f"/my-bench?station={name}" for name in STATIONS]), [])
