"""Your own class: from an empty installation to a pair's mark, all in the browser."""

import re
import tempfile
from pathlib import Path
from textwrap import indent

from django.test import override_settings
from playwright.sync_api import Page, expect

from tests.browser.base import BrowserCase
from tests.corpus.wild import CRITERIA
from tests.corpus.wild.surroundings import TANK
from verifex.marks.models import ClosedMark
from verifex.people import first_start
from verifex.people.models import Pair, Student, User
from verifex.plan.models import Session

LIST = """Institute of Apiculture;;;
Class list, autumn;;;
Student no;Surname;First name;Group
20311;Kessler;Mira;A
20312;Duarte;Tomé;A
20313;Vance;Hugo;B
20314;Tamura;Aiko;B
20315;Haddad;Yara;B
"""
#: An exercise that does not ship, with the instructor's own bench in it.
EXERCISE = f"{TANK.exercise}{CRITERIA}references:\n  mcu-5v: |\n{indent(TANK.wiring, '    ')}"
PASSWORD = "warm brood nest 34"


class OwnClassTest(BrowserCase):
    def setUp(self):
        self.console: list[str] = []
        self.expected_refusals = 0
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        moved = override_settings(DATA_DIR=Path(folder.name), BACKUP_DIR=Path(folder.name) / "backups")
        moved.enable()
        self.addCleanup(moved.disable)

    def shot(self, page: Page, name: str) -> None:
        """Overridden where pictures are looked at."""

    def first_instructor(self) -> Page:
        page = self.open(self.context(), "/")
        page.wait_for_url("**/first-start")
        page.get_by_label("One-time code").fill(first_start.code())
        page.get_by_label("Your name").fill("Ada Linden")
        expect(page.get_by_label("Log-in")).to_have_value("a.linden")
        page.get_by_label("Password, at least 10 letters").fill(PASSWORD)
        page.get_by_label("The password again").fill(PASSWORD)
        self.shot(page, "first-start")
        page.get_by_role("button", name="Begin").click()
        page.wait_for_url("**/set-up")
        return page

    def found_course(self, page: Page) -> None:
        page.get_by_role("button", name="Set up the course").click()
        title = page.get_by_label("What the course is called")
        expect(title).to_be_focused()
        expect(title).to_have_accessible_description("Please fill this in.")
        title.press_sequentially("Hive instrumentation")
        expect(page.get_by_text("Please fill this in.")).to_have_count(0)
        page.get_by_label("Time zone of its clock").fill("dubl")
        page.keyboard.press("ArrowDown")
        page.keyboard.press("Enter")
        expect(page.get_by_label("Time zone of its clock")).to_have_value("Europe/Dublin")
        self.shot(page, "found-course")
        page.get_by_role("button", name="Set up the course").click()
        page.wait_for_url("**/set-up/people")

    def import_list(self, page: Page) -> None:
        expect(page.get_by_role("heading", name="Nobody is on the list yet")).to_be_visible()
        self.shot(page, "people-empty")
        page.get_by_role("button", name="Import a class list").first.click()
        page.get_by_label("Choose a file").set_input_files(
            {"name": "list.csv", "mimeType": "text/csv", "buffer": LIST.encode()}
        )
        expect(page.get_by_label("Column 2")).to_have_text("last name")
        self.shot(page, "import")
        page.get_by_role("button", name="Import 5 changes").click()
        expect(page.get_by_role("status").filter(has_text="Imported: 5 added.")).to_be_visible()
        expect(page.get_by_role("cell", name="m.kessler")).to_be_visible()
        self.shot(page, "people")

    def make_pairs(self, page: Page) -> None:
        page.get_by_role("link", name="Pairs").click()
        page.get_by_label("Type two names").fill("kessler, duarte")
        page.keyboard.press("Enter")
        expect(page.get_by_role("cell", name="Mira Kessler · Tomé Duarte")).to_be_visible()
        self.shot(page, "pairs")
        page.get_by_role("button", name="Propose pairs").click()
        self.shot(page, "pairs-proposed")
        page.get_by_role("button", name="Make 1 pair").click()
        expect(page.get_by_role("cell", name=re.compile("P-02"))).to_be_visible()

    def draw_room(self, page: Page) -> None:
        page.get_by_role("link", name="Room").click()
        page.get_by_label("Name of the room").fill("Apiary lab")
        page.get_by_label("Rows").fill("2")
        page.get_by_label("Benches in a row").fill("3")
        page.get_by_role("button", name="Draw the room").click()
        page.get_by_label("Take bench 2 out").click()
        page.get_by_role("button", name="Save the room").click()
        expect(page.get_by_role("status").filter(has_text="Saved.")).to_be_visible()
        self.shot(page, "room")

    def choose_exercise(self, page: Page) -> None:
        page.get_by_role("link", name="Exercise", exact=False).filter(has_text="Choose an exercise").click()
        page.get_by_role("listitem").filter(has_text="Lid-open watch").get_by_role(
            "button", name="Add to the course"
        ).click()
        expect(page.get_by_role("status").filter(has_text="can be handed out")).to_be_visible()
        self.shot(page, "exercise")
        page.get_by_role("link", name="To the exercises").click()
        page.get_by_role("button", name="Import a file").first.click()
        page.get_by_label("or paste it here").fill(EXERCISE)
        page.get_by_role("button", name="Import", exact=True).click()
        page.get_by_role("button", name="Release version 1").click()
        expect(page.get_by_role("button", name="Release version 1")).to_have_count(0)
        page.get_by_label("Places").get_by_role("link", name="Set-up").click()

    def make_kits(self, page: Page) -> None:
        page.get_by_label("Setting up").get_by_role("link", name="Kits").click()
        expect(page.get_by_label("How many kits for Lid-open watch")).to_have_value("2")
        page.get_by_role("row").filter(has_text="Lid-open watch").get_by_role("button", name="Make").click()
        expect(page.get_by_role("status").filter(has_text="LOW-01 to LOW-02")).to_be_visible()
        page.get_by_label("Letters of the tags for Tank strip").fill("TS")
        page.get_by_label("How many kits for Tank strip").fill("1")
        page.get_by_role("row").filter(has_text="Tank strip").get_by_role("button", name="Make").click()
        expect(page.get_by_role("status").filter(has_text="TS-01")).to_be_visible()
        self.shot(page, "kits")

    def plan_session(self, page: Page) -> None:
        page.get_by_label("Setting up").get_by_role("link", name="Session").click()
        page.get_by_role("button", name="Plan sessions").first.click()
        self.shot(page, "plan")
        page.get_by_label("Day", exact=True).fill("03/03/2031")
        page.get_by_label("Lid-open watch").check()
        page.get_by_label("Tank strip").check()
        page.get_by_role("button", name="Plan the session").click()
        expect(page.get_by_role("status").filter(has_text="The session is planned")).to_be_visible()
        self.shot(page, "sessions")
        page.get_by_role("button", name=re.compile("3 Mar 2031")).click()
        page.get_by_role("button", name="Start it now").click()
        expect(page.get_by_text("running", exact=True)).to_be_visible()
        self.choose(page, "Exercise of Kessler · Duarte", "Tank strip")
        self.choose(page, re.compile("Exercise of (?!Kessler)"), "Lid-open watch")
        expect(page.get_by_label("Exercise of Kessler · Duarte")).to_have_text("Tank strip")
        page.get_by_label("Yara Haddad").click()
        expect(page.get_by_label("Yara Haddad")).to_be_checked()
        self.shot(page, "session")
        page.get_by_role("button", name="Code for the wall").click()
        self.shot(page, "wall")
        page.keyboard.press("Escape")
        page.get_by_role("link", name="Course, sections and staff").click()
        expect(page.get_by_label("Title")).to_have_value("Hive instrumentation")
        self.shot(page, "course")
        page.get_by_role("link", name="Copies and event log").click()
        expect(page.get_by_role("cell", name="founded a course")).to_be_visible()
        self.shot(page, "records")
        page.get_by_label("To", exact=True).fill("01/09/2020")
        page.keyboard.press("Enter")
        expect(page.get_by_text("Nothing like that was done.")).to_be_visible()
        page.get_by_role("button", name="All events").click()
        expect(page.get_by_role("cell", name="founded a course")).to_be_visible()

    def test_from_nothing_to_a_mark(self):
        page = self.first_instructor()
        self.found_course(page)
        self.import_list(page)
        self.make_pairs(page)
        self.draw_room(page)
        self.choose_exercise(page)
        self.make_kits(page)
        self.plan_session(page)
        expect(page.get_by_text("Ready for the first lab day")).to_be_visible()
        session = Session.objects.get()
        self.assertEqual(sorted(session.seats.values_list("bench", flat=True)), [1, 3])
        self.assertEqual((Student.objects.count(), Pair.objects.count()), (5, 2))
        self.hand_out(page)
        student = self.join(session)
        self.shot(student, "my-bench")
        self.work_through(page)
        mark = ClosedMark.objects.get()
        self.assertEqual((mark.docket.version.exercise.title, len(mark.students)), ("Tank strip", 2))
        self.assertGreater(mark.total, 20)

    def work_through(self, page: Page) -> None:
        """The pair's docket from the wiring to the mark, handed in for the pair by the instructor."""
        page.get_by_role("button", name=re.compile("Bench 1, Kessler")).click()
        page.get_by_role("button", name="Enter the wiring").click()
        page.get_by_role("button", name="Text", exact=True).click()
        self.hand_in(page, TANK.wiring)
        page.get_by_text("Nets and currents are as the exercise asks").wait_for()
        page.get_by_role("link", name="Power").click()
        page.get_by_role("heading", name="Before power").wait_for()
        page.keyboard.press("c")
        page.keyboard.press("p")
        page.get_by_role("heading", name="Cleared for power").wait_for()
        page.get_by_role("link", name="Program").first.click()
        page.get_by_role("button", name="Hand in for the pair").click()
        self.hand_in(page, TANK.program)
        page.get_by_role("button", name="Pass the program").click()
        page.get_by_text("Passed. Readings come next.").wait_for()
        page.get_by_role("link", name="Readings").first.click()
        page.get_by_role("tab", name="Hand-in").click()
        self.hand_in(page, TANK.log)
        page.get_by_role("heading", name="Every step lies in this bench").wait_for()
        page.keyboard.press("a")
        page.get_by_text("Accepted. Marking comes next.").wait_for()
        page.get_by_label("Stations", exact=True).get_by_role("link", name="Mark").click()
        self.shot(page, "mark")
        page.get_by_role("button", name="Close the marking").click()
        page.get_by_text("The pair can see it.").wait_for()

    def hand_in(self, page: Page, text: str) -> None:
        editor = page.locator(".cm-content[contenteditable=true]")
        editor.click()
        page.keyboard.press("Control+a")
        page.keyboard.insert_text(text)
        page.get_by_role("button", name="Hand in Ctrl Enter").click()

    def hand_out(self, page: Page) -> None:
        page.get_by_label("Places").get_by_role("link", name="Hatch").click()
        self.expected_refusals = 1
        for code in ("LOW-01", "P-01", "TS-01", "P-01"):
            page.get_by_label("Kit or badge").fill(code)
            page.keyboard.press("Enter")
        expect(page.get_by_text("does Tank strip in this session; LOW-01 is a kit for Lid-open watch")).to_be_visible()
        expect(page.get_by_text("TS-01 is with Kessler")).to_be_visible()
        page.get_by_label("Places").get_by_role("link", name="Floor").click()
        expect(page.get_by_role("heading", name="Lid-open watch · Tank strip")).to_be_visible()
        self.shot(page, "floor")

    def join(self, session: Session) -> Page:
        """A student on a phone: code, log-in with the first password, a password of their own, My bench."""
        student = User.objects.get(username="m.kessler")
        student.set_password("abc-def-ghj")
        student.must_change_password = True
        student.save()
        page = self.open(self.context(390, 844), f"/join/{session.code}")
        self.shot(page, "join")
        page.get_by_role("button", name="Log in").click()
        page.get_by_label("Log-in").fill("m.kessler")
        page.get_by_label("Password").fill("abc-def-ghj")
        page.get_by_role("button", name="Log in").click()
        page.get_by_label("The current one").fill("abc-def-ghj")
        page.get_by_label("The new one, at least 10 letters").fill("propolis and wax 8")
        page.get_by_label("The new one again").fill("propolis and wax 8")
        self.shot(page, "first-password")
        page.get_by_role("button", name="Change it").click()
        page.wait_for_url("**/my-bench")
        expect(page.get_by_text("Tank strip").first).to_be_visible()
        return page
