from tests.browser.base import BrowserCase
from verifex.dockets import services
from verifex.people.models import User

NAMES = ("Room air", "Held in the hand", "Warm pack")


class ToldApartTest(BrowserCase):
    def test_ties_are_told_apart_by_one_measurement_and_what_a_fault_prints_is_drawn(self):
        docket = self.docket(7)
        ines = User.objects.get(username="ines.marlow")
        log = "".join(f"# {name}\n" + "0.00\n" * 10 for name in NAMES)
        services.hand_in(ines, docket.pk, "readings", log, token="a pin at ground", based_on_attempt=1)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/readings")
        explained = page.get_by_label("What explains it")
        explained.get_by_text("one of 4 that fit best").wait_for()
        explained.get_by_text("Supply and out of analogue thermometer, 500 mV offset U1 are exchanged").wait_for()
        explained.get_by_role("button", name="Draw what it would print").first.click()
        page.get_by_text("this fault would print").wait_for()
        act = page.get_by_label("To tell them apart")
        act.get_by_text("volts from the out leg of U1").wait_for()
        act.get_by_label("It reads").fill("4.9")
        page.keyboard.press("Enter")
        first = explained.locator("article").first
        first.get_by_text("Supply and out of analogue thermometer, 500 mV offset U1 are exchanged").wait_for()
        first.get_by_text("fits best", exact=True).wait_for()
        act.get_by_text("4.9 V").wait_for()

    def test_the_log_shows_what_was_read_and_where_it_should_come_from(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(7).pk}/readings?view=log")
        page.get_by_text("line 2, “Room air”").wait_for()
        page.get_by_text("count 148").wait_for()
        page.get_by_label("The log as handed in").focus()
        page.keyboard.press("ArrowDown")
        page.get_by_text("line 3, “Room air”").wait_for()

    def test_a_begin_of_a_step_is_moved_by_keyboard_and_by_dragging_and_put_back(self):
        docket = self.docket(7)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/readings?view=log")
        begin = page.get_by_role("slider", name="“Held in the hand” begins")
        line = int(begin.get_attribute("aria-valuenow") or 0)
        begin.focus()
        for key in ("ArrowLeft", "ArrowLeft", "Enter"):
            page.keyboard.press(key)
        put_back = page.get_by_role("button", name="As it was found")
        put_back.wait_for()
        page.get_by_text("A person set where “Held in the hand” begins.").wait_for()
        moved = int(begin.get_attribute("aria-valuenow") or 0)
        self.assertLess(moved, line)
        put_back.click()
        put_back.wait_for(state="hidden")
        self.assertEqual(int(begin.get_attribute("aria-valuenow") or 0), line)
        box = begin.bounding_box()
        assert box is not None
        page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        page.mouse.down()
        page.mouse.move(box["x"] + box["width"] / 2 + 60, box["y"] + box["height"] / 2, steps=3)
        page.mouse.up()
        put_back.wait_for()
        self.assertGreater(int(begin.get_attribute("aria-valuenow") or 0), line)
