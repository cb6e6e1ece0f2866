from io import BytesIO

from PIL import Image

from tests.browser.base import BrowserCase
from tests.demo_data import fill
from verifex.dockets import services
from verifex.people.models import Pair, PairMember, User
from verifex.stores.models import FaultPhoto, Kit, KitIssue


def picture_of_a_leg() -> bytes:
    out = BytesIO()
    Image.new("RGB", (320, 200), "goldenrod").save(out, "PNG")
    return out.getvalue()


class HatchAtSpeedTest(BrowserCase):
    """A scanner types and ends with Enter; nobody touches the mouse, and nobody waits for an answer."""

    def setUp(self):
        super().setUp()
        ready = Kit.objects.get(tag="HB-15")
        for number in range(16, 28):
            kit = Kit.objects.create(tag=f"HB-{number}", exercise=ready.exercise)
            fill(kit)
            pair = Pair.objects.create(section=self.session.section, name=f"Pair {number}", badge=f"P-{number}")
            PairMember.objects.create(pair=pair, user=User.objects.create(username=f"student-{number}"))

    def scan(self, page, *codes: str) -> None:
        for code in codes:
            page.keyboard.type(code)
            page.keyboard.press("Enter")

    def test_a_class_of_twelve_in_24_scans_without_a_pause_and_none_is_lost(self):
        page = self.page_for("tomas.reed", "/hatch")
        page.locator("#code:focus").wait_for()
        page.get_by_role("heading", name="Kits", exact=True).wait_for()
        for number in range(16, 28):
            codes = (f"HB-{number}", f"P-{number}")
            self.scan(page, *(codes if number % 2 else reversed(codes)))
        page.get_by_text("HB-27 is with Pair 27").wait_for()
        self.assertEqual(KitIssue.objects.filter(kit__tag__gte="HB-16", returned_at=None).count(), 12)

    def test_after_a_refusal_the_next_scan_begins_afresh_and_a_key_switches_the_mode(self):
        page = self.page_for("tomas.reed", "/hatch")
        page.locator("#code:focus").wait_for()
        page.get_by_role("heading", name="Kits", exact=True).wait_for()
        self.expected_refusals = 2
        self.scan(page, "HB-14", "NOBODY", "HB-16", "P-16")
        page.get_by_text("HB-16 is with Pair 16").wait_for()
        page.get_by_text("HB-14 is in repair").first.wait_for()
        page.keyboard.press("<")
        page.get_by_label("Kit that comes back").wait_for()
        self.scan(page, "HB-16")
        page.get_by_role("button", name="Look through it").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("group", name="BZ1").get_by_text("faulty", exact=True).click()
        group = dialog.get_by_role("group", name="BZ1")
        group.get_by_label("Picture").set_input_files(
            {"name": "leg.png", "mimeType": "image/png", "buffer": picture_of_a_leg()}
        )
        group.get_by_text("leg.png").wait_for()
        dialog.get_by_label("What is wrong with sounder").fill("silent")
        page.keyboard.press("Enter")
        page.get_by_text("HB-16: BZ1 to repair: silent.").wait_for()
        self.assertEqual(FaultPhoto.objects.filter(fault__ref="BZ1", fault__kit__tag="HB-16").count(), 1)
        page.locator("#code:focus").wait_for()
        page.keyboard.press(">")
        page.get_by_label("Kit or badge").wait_for()
        self.scan(page, "HB-16")
        page.get_by_text("HB-16 is in repair: sounder: silent").first.wait_for()
        page.keyboard.press("<")
        page.get_by_label("Kit that comes back").wait_for()
        self.scan(page, "HB-02")  # the field has the focus again
        page.get_by_text("HB-02 is back").wait_for()
        page.get_by_role("button", name="Undo: it stays out").first.click()
        page.get_by_text("HB-02 is with Castell · Nwosu again").wait_for()
        self.assertIsNone(KitIssue.objects.get(kit__tag="HB-02").returned_at)


class TestedBeforeItGoesOutTest(BrowserCase):
    def test_a_kit_powered_the_wrong_way_round_is_tested_and_then_ready(self):
        docket = self.docket(2)
        ines = User.objects.get(username="ines.marlow")
        services.clear_power(
            ines, docket.pk, based_on=None, wiring_attempt=docket.attempts.filter(kind="wiring").count(), compared=True,
            overrule_reason="To show the heat.",
        )  # fmt: skip
        page = self.page_for("tomas.reed", "/hatch")
        page.locator("#code:focus").wait_for()
        page.keyboard.press("<")
        page.get_by_label("Kit that comes back").wait_for()
        page.keyboard.type("HB-02")
        page.keyboard.press("Enter")
        due = page.get_by_label("To test")
        due.get_by_text("supply was reversed on bench 2").wait_for()
        due.get_by_text("0.68 to 0.76 V").wait_for()
        due.get_by_role("button", name="It is well").click()
        due.get_by_text("brood-box thermometer of HB-02 is well.").wait_for()
        page.get_by_role("row", name="HB-02").get_by_text("ready").wait_for()
        page.get_by_role("tab", name="Coming sessions").click()
        page.get_by_label("Coming sessions", exact=True).get_by_text("ready for").first.wait_for()
