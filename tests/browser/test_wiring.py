"""The wiring station: entering a bench without a mouse, and the closer look at it."""

from playwright.sync_api import Page

from tests.browser.base import BrowserCase
from tests.samples import hand_in
from verifex.core.circuit import parse_bench
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.people.models import Pair, User
from verifex.plan.models import Seat
from verifex.stores.models import Kit

PARTS = ("th e1", "buz e5", "display-1 a10", "tr e26 10k", "r b24 +l 220")
WIRES = ("+l a1 r", ".a0 a2 y", "-l a3 b", ".8 a5 g", "-l a6 b", ".5v +l r", ".g -l b", "-l b10 b", "+l b11 r", "b12 c27 w",
         "+l d26 r", "-l d28 b", ".12 b13 g", "-l b14 b", ".11 b15 o", ".5 b20 y", ".4 b21 g", ".3 b22 v", ".2 b23 w",
         "-l b25 b")  # fmt: skip
MOST_KEYSTROKES = 240


class Keyboard:
    """Types on a page and counts every key."""

    def __init__(self, page: Page) -> None:
        self.page, self.count = page, 0

    def press(self, key: str) -> None:
        self.page.keyboard.press(key)
        self.count += key.count("+") + 1 if len(key) > 1 else 1

    def type(self, text: str) -> None:
        for letter in text:
            self.page.keyboard.press("Space" if letter == " " else letter)
            self.count += 1


class EntryTest(BrowserCase):
    def fresh_docket(self) -> Docket:
        pair = Pair.objects.create(section=self.session.section, name="Oake · Thorn", badge="P-13")
        Seat.objects.create(session=self.session, pair=pair, bench=13)
        version = self.docket(1).version
        staff = User.objects.get(username="tomas.reed")
        return services.open_docket(staff, Kit.objects.get(tag="HB-15"), pair, self.session, version)

    def test_a_bench_of_twenty_wires_takes_at_most_240_keystrokes_and_no_mouse(self):
        docket = self.fresh_docket()
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/wiring")
        page.get_by_role("heading", name="No wiring yet").wait_for()
        keyboard = Keyboard(page)
        keyboard.press("e")
        page.get_by_label("Add", exact=True).wait_for()
        for line in (*PARTS, *WIRES):
            keyboard.type(line)
            keyboard.press("Enter")
        keyboard.press("Control+Enter")
        page.get_by_text("attempt 1").first.wait_for()
        stored = parse_bench(docket.attempts.get().text)
        self.assertEqual((stored.problems, stored.impossible), ([], []))
        self.assertEqual((len(stored.wires), len(stored.parts)), (20, 5))
        self.assertEqual([str(place) for place in stored.parts["U2"].legs.values()][::5], ["a10", "a15", "a20", "a25"])
        self.assertEqual(stored.parts["R1"].settings["value"], "220")
        self.assertTrue(all(wire.colour for wire in stored.wires))
        self.assertLessEqual(keyboard.count, MOST_KEYSTROKES)

    def test_the_line_says_beforehand_what_it_will_do_and_in_words_what_it_does_not_understand(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        line, says = page.get_by_label("Add", exact=True), page.locator("#entry-says")
        for typed, told in (
            (".8 a30 y", "wire B1.D8 a30 yellow"),
            ("q c=d3 b=d4 e=d5", "part Q1 npn collector=d3 base=d4 emitter=d5"),
            ("r g2 g6 ogogbngd m=327", "part R2 resistor g2 g6 bands=orange-orange-brown-gold measured=327"),
            ("led j5-4 gr", "part D2 led j5 j4 colour=green"),
            ("mv u1 -2", "part U1 thermo-offset e7 e8 e9"),
            ("q d3", "needs its legs by name"),
            (".77 a3", "no pin “77”"),
            ("a3", "and to where?"),
            ("wombat a3", "no place and no part"),
            ("display-16x2 a1 a2", "2 of 16 legs"),
        ):
            line.fill(typed)
            says.get_by_text(told).wait_for()
        page.keyboard.press("Enter")
        self.assertEqual(line.input_value(), "display-16x2 a1 a2")  # what is wrong stays to be mended

    def test_tab_completes_rows_are_copied_turned_and_moved_and_undo_takes_it_back(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        line = page.get_by_label("Add", exact=True)
        line.press_sequentially(".a")
        page.get_by_role("button", name="A0").wait_for()
        line.press("Tab")
        self.assertEqual(line.input_value(), ".A0 ")
        line.fill("dup r1")
        line.press("Enter")
        copy = page.get_by_label("Reference, line 10")
        self.assertEqual(copy.input_value(), "R2")
        places = page.get_by_label("Places, line 10")
        before = places.input_value()
        places.focus()
        page.keyboard.press("Alt+ArrowDown")
        page.keyboard.press("Alt+s")
        self.assertNotEqual(places.input_value(), before)
        line.focus()
        undo = page.get_by_role("button", name="Undo")
        while undo.is_enabled():
            page.keyboard.press("Control+z")
            page.wait_for_timeout(50)
        self.assertNotEqual(copy.input_value(), "R2")
        page.get_by_role("button", name="Hand in attempt 3").wait_for()

    def test_changes_since_the_last_attempt_stand_beside_the_findings(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(2).pk}/wiring")
        page.get_by_label("Changes").get_by_text("4 changed since attempt 1").wait_for()
        page.get_by_label("Changes").get_by_text("BZ1 (active buzzer)").wait_for()


class LookTest(BrowserCase):
    def test_any_state_can_be_set_and_its_currents_read(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(1).pk}/wiring")
        page.get_by_role("tab", name="Currents").click()
        light = page.get_by_role("row", name="D1 light-emitting diode")
        light.get_by_text("0 A").wait_for()
        page.get_by_role("group", name="D8").get_by_role("button", name="high").click()
        light.get_by_text("anode → cathode").wait_for()
        light.get_by_text("mA").wait_for()

    def test_resistors_stand_in_their_windows_with_what_the_drawers_hold(self):
        services.hand_in(
            User.objects.get(username="ines.duarte"),
            self.docket(9).pk,
            "wiring",
            hand_in("one-half.bench").replace("bands=orange-orange-brown-gold measured=327", "value=33k"),
            token="too-large",
            based_on_attempt=1,
        )
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(9).pk}/wiring")
        page.get_by_role("tab", name="Resistors").click()
        page.get_by_text("too large").wait_for()
        page.get_by_role("img", name="Window 150 Ω to 2.2 kΩ, here 33 kΩ").wait_for()
        page.get_by_text("C3, 8 left").wait_for()

    def test_the_comparison_tells_what_differs_by_function(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(5).pk}/wiring")
        page.get_by_role("tab", name="Compare").click()
        page.get_by_text("1 of 4 functions differ").wait_for()
        page.get_by_role("row", name="out read by").get_by_text("no pin").wait_for()


class SumsTest(BrowserCase):
    def test_sums_answer_while_one_types_and_refuse_in_words(self):
        page = self.page_for("leo.castell", "/sums/led", width=390, height=844)
        page.get_by_label("forward voltage").fill("3.2")
        page.locator(".answer").get_by_text("180 Ω").wait_for()
        page.get_by_role("img", name="The circuit of this sum").get_by_text("R 180 Ω").wait_for()
        self.expected_refusals = 1
        page.get_by_label("forward voltage").fill("7")
        page.get_by_role("alert").wait_for()

    def test_bands_are_read_both_ways_and_a_meter_may_disagree(self):
        page = self.page_for("leo.castell", "/sums")
        page.get_by_placeholder("nothing yet").fill("3k28")
        page.get_by_text("Perhaps orange, orange, red, gold").wait_for()
        page.get_by_role("button", name="use these").click()
        page.get_by_text("It fits").wait_for()
