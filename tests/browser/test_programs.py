"""The program station: a Python program handed in and run, where it first differs, one stretch at a time, its flow chart."""

from tests.browser.base import BrowserCase
from tests.corpus.programs.faults import SOUND
from tests.demo_data import fill
from tests.samples import hand_in
from verifex.acts.refusals import Refused
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.exercises.models import ExerciseVersion
from verifex.people.models import Pair, User
from verifex.plan.models import Seat
from verifex.stores.models import Kit

POLLED = (SOUND / "super-height-gauge/polled.py").read_text("utf-8")


class ProgramStationTest(BrowserCase):
    def docket_of(self, exercise: str, board: str) -> Docket:
        """A docket of its own pair, its bench built as the exercise has it."""
        pair = Pair.objects.create(section=self.session.section, name="Oake · Thorn", badge="P-13")
        Seat.objects.create(session=self.session, pair=pair, bench=13)
        version = ExerciseVersion.objects.get(exercise__slug=exercise)
        self.session.planned.create(exercise=version.exercise)
        staff = User.objects.get(username="ines.marlow")
        kit = Kit.objects.create(tag="SG-01", exercise=version.exercise)
        fill(kit)
        docket = services.open_docket(staff, kit, pair, self.session, version)
        wiring = version.file.reference_wiring(board)
        services.hand_in(staff, docket.pk, "wiring", wiring, token="w", based_on_attempt=0)
        return docket

    def test_a_python_program_is_handed_in_as_a_file_and_its_run_is_studied(self):
        docket = self.docket_of("super-height-gauge", "sbc-3v3")
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        page.get_by_role("button", name="Hand in for the pair").click()
        page.locator("input[type=file]").set_input_files(
            {"name": "gauge.py", "mimeType": "text/x-python", "buffer": POLLED.replace("* 17150", "* 34300").encode()}
        )
        page.locator(".cm-content").get_by_text("import time").wait_for()
        page.get_by_role("button", name="Hand in Ctrl Enter").click()
        page.get_by_text("The echo is not halved").or_(page.get_by_text("is printed where")).first.wait_for()
        page.get_by_text("The program of before is stopped").wait_for()

        page.keyboard.press("r")
        page.get_by_role("heading", name="No program yet").wait_for(state="hidden")
        page.get_by_role("img", name="The run on the twin over time").wait_for()
        page.get_by_role("button", name="Where it first differs").click()
        pressed = page.locator("button[aria-pressed=true]", has_text="mark")
        pressed.wait_for()
        self.assertEqual(pressed.inner_text(), "Near mark")
        page.get_by_text("Printed lines (").wait_for()
        stretch = page.get_by_label("Printed lines").inner_text()
        self.assertIn("Distance: 19.9 cm", stretch)
        self.assertNotIn("Distance: 80", stretch)
        page.keyboard.press("]")
        page.locator("button[aria-pressed=true]", has_text="Middle mark").wait_for()
        page.keyboard.press("w")
        page.locator("b", has_text="Whole run").wait_for()

        page.get_by_role("tab", name="Flow chart").click()
        page.get_by_text("GPIO.input").or_(page.locator("svg text", has_text="near")).first.wait_for()

    def test_a_sound_program_of_the_other_language_is_named_as_such(self):
        docket = self.docket_of("super-height-gauge", "mcu-5v")
        staff = User.objects.get(username="ines.marlow")
        services.hand_in(staff, docket.pk, "program", POLLED, token="p", based_on_attempt=0)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        page.get_by_text("This reads like Python").first.wait_for()
        page.get_by_text("Hand in the program for the board on this bench").wait_for()

    def test_one_hand_in_after_the_other_is_kept_each_with_its_own_text(self):
        docket = self.docket_of("super-height-gauge", "mcu-5v")
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        for number in (1, 2, 3):
            page.goto(f"{self.live_server_url}/dockets/{docket.pk}/program")
            page.get_by_role("tab", name="Hand-in").click()
            page.locator(".cm-content[contenteditable=true]").click()
            page.keyboard.press("Control+a")
            page.keyboard.press(
                "Delete"
            )  # typed over a coloured word, the browser tries to keep its colour, which the policy forbids
            page.keyboard.insert_text(f"void setup() {{ }}\nvoid loop() {{ delay({number}); }}")
            page.locator(".acts button").first.click()
            page.get_by_text(f"attempt {number},").wait_for()
        stored = [a.text for a in docket.attempts.filter(kind="program").order_by("number")]
        self.assertEqual([text.count(f"delay({n})") for n, text in enumerate(stored, start=1)], [1, 1, 1])
        with self.assertRaises(Refused):
            again = docket.attempts.get(kind="program", number=3).token
            staff = User.objects.get(username="ines.marlow")
            services.hand_in(staff, docket.pk, "program", "another text", token=again, based_on_attempt=3)


class ProvedByTheRunTest(BrowserCase):
    """What the run shows wrong is reported with its moment; the line is looked at there, by the instructor and by the pair."""

    def hand_in_wrapping(self) -> Docket:
        docket = self.docket(7)
        program = hand_in("overflow.cpp")
        pupil = docket.pair.members.earliest("id").user
        services.hand_in(
            pupil,
            docket.pk,
            "program",
            program,
            token="wraps",
            based_on_attempt=docket.attempts.filter(kind="program").count(),
        )
        return docket

    def test_an_instructor_jumps_from_a_finding_to_its_moment_in_the_run(self):
        docket = self.hand_in_wrapping()
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        page.get_by_role("button", name="Seen on the twin at").first.click()
        line = page.get_by_label("Line 14 in the run")
        line.get_by_text("int millivolts = reading * 5000 / 1024;").wait_for()
        line.get_by_role("columnheader", name="millivolts").wait_for()
        page.get_by_role("img", name="The run on the twin over time").wait_for()

    def test_a_pair_opens_a_hint_step_by_step_and_sees_its_line_on_the_bench(self):
        docket = self.hand_in_wrapping()
        name = docket.pair.members.earliest("id").user.username
        page = self.page_for(name, "/my-bench?station=program", width=390, height=844)
        hints = page.get_by_label("Hints", exact=True)
        hints.get_by_text("Look at line 14.").wait_for()
        self.assertEqual(hints.get_by_text("32767").count(), 0)
        hints.get_by_role("button", name="Give me the idea").first.click()
        hints.get_by_role("button", name="Nearly the answer").first.click()
        hints.get_by_text("goes beyond 32767").wait_for()
        hints.get_by_role("button", name="Show me on the bench").first.click()
        hints.get_by_label("Line 14 in the run").get_by_text("in the run on this bench").wait_for()
