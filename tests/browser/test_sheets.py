"""The expected sheet as its users meet it: sliders, a prediction, an exercise file, papers."""

from axe_playwright_python.sync_playwright import Axe

from tests.browser.base import BrowserCase
from tests.samples import EXERCISE_TEXT
from verifex.exercises.models import ExerciseVersion
from verifex.work import queue


class ExercisePageTest(BrowserCase):
    def test_a_slider_moved_by_keys_moves_plot_table_and_back(self):
        page = self.page_for("ines.marlow", "/exercises")
        page.get_by_role("link", name="Lid-open watch").click()
        table = page.get_by_role("row", name="Lid open").first
        table.get_by_text("828").wait_for()
        slider = page.get_by_label("Resistor R1")
        slider.focus()
        for _ in range(40):
            page.keyboard.press("ArrowRight")
        # At once by the dense table, then by the exact sheet; both lie above what the nominal resistor gives.
        page.get_by_text("Tried: Resistor R1").wait_for()
        moved = int(table.locator("td").nth(3).inner_text().split()[0])
        self.assertGreater(moved, 828)
        page.wait_for_timeout(900)
        exact = int(table.locator("td").nth(3).inner_text().split()[0])
        self.assertLessEqual(abs(exact - moved), 2)
        page.get_by_role("slider", name="At the sensor").focus()
        page.keyboard.press("ArrowRight")
        page.get_by_text("prints", exact=False).first.wait_for()
        page.get_by_role("button", name="Back to what is known").click()
        table.get_by_text("828").wait_for()

    def test_every_exercise_opens_without_a_word_in_the_console(self):
        page = self.page_for("ines.marlow", "/exercises")
        page.get_by_role("heading", level=1).wait_for()
        seen = set()
        for _ in range(12):
            page.locator("main table").first.wait_for()
            seen.add(page.get_by_role("heading", level=1).inner_text())
            page.keyboard.press("ArrowDown")
            page.wait_for_timeout(250)
        self.assertEqual(len(seen), 12)
        page.get_by_role("tab", name="Budget").click()
        page.get_by_text("What widens the limits").first.wait_for()
        self.assertEqual(Axe().run(page).violations_count, 0)
        page.get_by_role("tab", name="Plan").click()
        page.get_by_text("held for 10 s").first.wait_for()

    def test_a_file_is_brought_in_mended_and_released(self):
        page = self.page_for("ines.marlow", "/exercises")
        page.get_by_role("button", name="Import a file").click()
        self.expected_refusals = 1
        field = page.get_by_label("or paste it here")
        field.fill(EXERCISE_TEXT.replace("part: buzzer", "part: buzer"))
        page.get_by_role("button", name="Import", exact=True).click()
        page.get_by_role("alert").get_by_text("did you mean buzzer?").wait_for()
        field.fill(EXERCISE_TEXT.replace("minutes: 50", "minutes: 65"))
        page.get_by_role("button", name="Import", exact=True).click()
        page.get_by_text("This draft can be released").wait_for()
        page.get_by_role("button", name="Release version 2").click()
        page.get_by_text("65 min").wait_for()
        page.get_by_text("This draft can be released").wait_for(state="detached")
        self.assertIsNotNone(ExerciseVersion.objects.latest("id").released_at)


class PredictionPageTest(BrowserCase):
    def test_a_pair_predicts_on_a_phone_and_staff_see_it_judged(self):
        page = self.page_for("leo.castell", "/my-bench", width=390, height=844)
        page.get_by_role("link", name="Readings").first.click()
        page.get_by_label("Room air, brood-box thermometer").fill("21.4")
        page.get_by_label("Warm pack, brood-box thermometer").fill("80")
        page.get_by_role("button", name="Save the prediction").click()
        page.get_by_text("by Leo Castell").wait_for()
        self.assertEqual(page.get_by_text("in limits").count(), 0)  # not told before the readings
        last = self.docket(2).attempts.filter(kind="prediction").latest("number")
        self.assertIn('"Room air",U1.celsius,21.4', last.text)
        staff = self.page_for("ines.marlow", f"/dockets/{self.docket(2).pk}/readings")
        staff.get_by_role("heading", name="No readings yet").wait_for()

    def test_the_pair_of_a_finished_log_sees_sheet_and_prediction_side_by_side(self):
        docket = self.docket(3)
        page = self.page_for("jule.brandt", "/my-bench")
        page.get_by_role("link", name="Readings").first.click()
        page.get_by_label("Room air, brood-box thermometer").fill("22")
        page.get_by_role("button", name="Save the prediction").click()
        page.get_by_text("by Jule Brandt").wait_for()
        self.assertEqual(docket.attempts.filter(kind="prediction").count(), 1)


class PapersPageTest(BrowserCase):
    def test_the_class_is_printed_with_progress(self):
        page = self.page_for("ines.marlow", "/floor")
        page.get_by_role("button", name="Papers").click()
        page.get_by_role("button", name="Pages to predict on").click()
        page.get_by_role("button", name="Make", exact=False).click()
        page.get_by_text("Laying out the pages").wait_for()
        queue.work_through()  # as the runner does beside a server
        with page.expect_download(timeout=60_000) as saved:
            page.get_by_role("link", name="Save predictions-session").click(timeout=60_000)
        with open(saved.value.path(), "rb") as file:
            self.assertEqual(file.read(5), b"%PDF-")


class FlowChartPageTest(BrowserCase):
    def test_a_line_of_the_program_lights_its_box(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(4).pk}/program")
        page.get_by_role("tab", name="Flow chart").click()
        page.get_by_role("img", name="Flow chart of loop").wait_for()
        page.locator(".beside .cm-line").filter(has_text="pinMode(LIGHT").click()
        page.get_by_role("img", name="Flow chart of setup").wait_for()
        self.assertIn("LIGHT is an output", page.locator(".box.lit").text_content() or "")
