from tests.browser.base import BrowserCase
from tests.demo_data import PASSWORD
from tests.samples import hand_in
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat


class InstructorTourTest(BrowserCase):
    def test_one_pair_from_hand_out_to_mark(self):
        """The README's tour: hatch, wiring, power, program, readings, mark, in the real interface."""
        pair = Pair.objects.create(section=self.session.section, name="Blair · Oduya", badge="P-13")
        for name in ("Kit Blair", "Sol Oduya"):
            first, last = name.split()
            user = User.objects.create(username=f"{first}.{last}".lower(), first_name=first, last_name=last)
            PairMember.objects.create(pair=pair, user=user)
        Seat.objects.create(session=self.session, pair=pair, bench=13)

        page = self.open(self.context(), "/log-in")
        page.fill("#name", "ines.marlow")
        page.fill("#word", PASSWORD)
        page.get_by_role("button", name="Log in", exact=True).click()
        page.get_by_role("heading", name="Round").wait_for()

        page.get_by_role("link", name="Hatch").click()
        page.locator("#code:focus").wait_for()
        self.expected_refusals = 1
        for code in ("HB-14", "P-13", "hb-15"):  # as a scanner does, badge first this time
            page.keyboard.type(code)
            page.keyboard.press("Enter")
        page.get_by_text("HB-14 is in repair").first.wait_for()
        page.get_by_text("HB-15 is with Blair · Oduya. The docket is open.").wait_for()

        page.get_by_role("link", name="Floor").click()
        page.get_by_role("button", name="Bench 13, Blair · Oduya: entering the wiring").wait_for()
        page.keyboard.type("13")
        page.keyboard.press("Enter")
        page.get_by_role("button", name="Enter the wiring").click()
        page.get_by_role("button", name="Text", exact=True).click()
        self.fill_code(page, hand_in("one-half.bench"))
        page.get_by_role("button", name="Hand in Ctrl Enter").click()
        page.get_by_text("Nets and currents are as the exercise asks").wait_for()

        page.get_by_role("link", name="Power").click()
        self.assertTrue(page.get_by_role("button", name="Clear for power").is_disabled())
        page.keyboard.press("c")
        page.keyboard.press("p")
        page.get_by_role("heading", name="Cleared for power").wait_for()
        page.fill("#measure-rail", "4.93")
        page.get_by_role("button", name="Save").first.click()
        page.get_by_text("4.93 V").first.wait_for()

        page.get_by_role("link", name="Program").first.click()
        page.get_by_role("button", name="Hand in for the pair").click()
        self.fill_code(page, hand_in("sound-a.cpp"))
        page.get_by_role("button", name="Hand in Ctrl Enter").click()
        page.get_by_text("does on the twin what the exercise asks").wait_for()
        page.get_by_role("tab", name="Run on the twin").click()
        self.assertEqual(page.get_by_text("agrees", exact=True).count(), 3)
        page.keyboard.press("a")
        page.get_by_text("Passed. Readings come next.").wait_for()

        page.get_by_role("link", name="Readings").first.click()
        page.get_by_role("tab", name="Hand-in").click()
        self.fill_code(page, hand_in("in-limits.txt"))
        page.get_by_role("button", name="Hand in Ctrl Enter").click()
        page.get_by_role("heading", name="Every step lies in this bench").wait_for()
        page.keyboard.press("a")
        page.get_by_text("Accepted. Marking comes next.").wait_for()

        page.get_by_label("Stations", exact=True).get_by_role("link", name="Mark").click()
        page.get_by_role("button", name="Change Wiring").click()
        page.get_by_placeholder("The reason").fill("Neat, but one lead was loose.")
        page.get_by_label("Marks for Wiring").fill("7.5")
        page.get_by_role("button", name="Save").click()
        page.get_by_text("8 was proposed").wait_for()
        page.keyboard.press("m")
        # The log has the same noise as bench 1's: closing asks what was decided about it.
        page.get_by_label("What did you decide about it?").fill("Both pairs showed a step live.")
        page.get_by_role("dialog").get_by_role("button", name="Close the marking").click()
        page.get_by_text("The pair can see it.").wait_for()
        page.get_by_role("link", name="Feedback sheet").click()
        page.get_by_text("29.5").first.wait_for()
        self.assertEqual(str(self.docket(13).given.get().marks), "7.50")

    def fill_code(self, page, text: str) -> None:
        editor = page.locator(".cm-content[contenteditable=true]")
        editor.click()
        page.keyboard.press("Control+a")
        page.keyboard.insert_text(text)


class KeysTest(BrowserCase):
    def test_the_round_by_keys_and_the_jump_line(self):
        page = self.page_for("ines.marlow", "/floor")
        page.get_by_role("button", name="Open bench 2").wait_for()
        page.keyboard.press("l")
        page.get_by_role("button", name="Open bench 9").wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Duarte · Kim", level=1).wait_for()
        page.keyboard.press("n")
        page.get_by_role("heading", name="Castell · Nwosu", level=1).wait_for()
        page.keyboard.press("/")
        page.keyboard.type("soh")
        page.keyboard.press("Backspace")
        page.locator("[role=option].n-base-select-option--pending", has_text="10 Sorel · Haddad").wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Sorel · Haddad", level=1).wait_for()
        page.keyboard.press("?")
        page.get_by_role("dialog", name="Keys").get_by_text("next bench in the Round").wait_for()

    def test_a_finding_lights_its_evidence_in_map_and_nets(self):
        page = self.page_for("ines.marlow", f"/dockets/{self.docket(2).pk}/wiring")
        page.locator(".part.lit[role=button]").wait_for()
        self.assertEqual(
            page.locator(".part.lit[role=button]").get_attribute("aria-label"),
            "U1, analogue thermometer, 500 mV offset",
        )
        self.assertEqual(page.locator(".strip.lit").count(), 2)
        self.assertEqual(page.locator("tr.lit").count(), 2)

    def test_the_table_view_tells_the_same(self):
        page = self.page_for("tomas.reed", "/floor")
        page.get_by_role("button", name="Table").click()
        page.get_by_role("cell", name="sent back, working on attempt 2").first.wait_for()
        self.assertEqual(page.locator("tbody tr").count(), 12)
