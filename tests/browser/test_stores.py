from tests.browser.base import BrowserCase
from verifex.stores.models import Kit, KitIssue, KitPart, StockItem, StockMove
from verifex.stores.services.faults import open_fault


class StoresTest(BrowserCase):
    def stores(self, view: str, who: str = "tomas.reed"):
        page = self.page_for(who, f"/hatch?view={view}")
        page.locator("#code").wait_for()
        return page

    def test_drawer_after_drawer_is_counted_by_keyboard_and_the_last_count_undone(self):
        page = self.stores("drawers")
        page.get_by_role("button", name="Count the drawers").press("Enter")
        for found in ("40", "31", "", "5"):  # as it was; three fewer; left as it is; two more
            page.keyboard.type(found)
            page.keyboard.press("Enter")
        page.get_by_text("270 Ω resistor: 5; 2 more than the list said.").wait_for()
        self.assertEqual(list(StockItem.objects.filter(ohms__in=[100, 150, 220, 270]).order_by("ohms").values_list("count", flat=True)),
                         [40, 31, 12, 5])  # fmt: skip
        page.get_by_role("button", name="Undo").click()
        page.get_by_text("270 Ω resistor: 3 again.").wait_for()
        self.assertEqual(StockMove.objects.filter(why="counted").count(), 2)
        page.locator(".count-field input").first.press("Escape")
        page.get_by_role("button", name="Count the drawers").wait_for()

    def test_a_calibration_narrows_the_sheet_of_the_pair_that_has_the_module(self):
        instructor = self.page_for("ines.marlow", f"/exercises?docket={self.docket(1).pk}")
        path = f"/api/dockets/{self.docket(1).pk}/sheets"
        width = "async (path) => { const v = (await (await fetch(path)).json()).built.steps[0].value; return v.high - v.low }"
        before = instructor.evaluate(width, path)
        page = self.stores("modules")
        page.get_by_label("Find a module").fill("HB-01 thermometer")
        page.get_by_role("button", name="T-01").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("button", name="Calibrate").click()
        dialog.get_by_label("The reference reads, °C").fill("21,5")
        dialog.get_by_label("The module reads, °C").fill("31")
        dialog.get_by_label("With what").fill("reference thermometer")
        self.expected_refusals = 1
        dialog.get_by_role("button", name="Save the calibration").click()
        dialog.get_by_text("that is a fault, and no calibration mends it").wait_for()
        dialog.get_by_label("The module reads, °C").fill("21.8")
        page.keyboard.press("Enter")
        dialog.get_by_text("counts until").wait_for()
        self.assertLess(instructor.evaluate(width, path), before)

    def test_two_at_two_hatches_give_one_kit_once_and_the_other_is_told(self):
        first, second = self.stores("kits"), self.stores("kits", "ines.marlow")
        Kit.objects.get(tag="HB-01").issues.update(returned_at="2031-01-01T00:00:00Z")
        Kit.objects.get(tag="HB-02").issues.update(returned_at="2031-01-01T00:00:00Z")
        self.expected_refusals = 1
        for page, badge in ((first, "P-01"), (second, "P-02")):
            page.locator("#code").fill("HB-15")
            page.keyboard.press("Enter")
            page.get_by_text("HB-15: now the pair").wait_for()
            page.locator("#code").fill(badge)
        first.locator("#code").press("Enter")
        second.locator("#code").press("Enter")
        said = [page.get_by_role("list", name="Last scans").get_by_role("listitem") for page in (first, second)]
        answers = sorted(answer.inner_text() for answer in said)
        self.assertEqual(sum("HB-15 is with" in answer for answer in answers), 1, answers)
        self.assertEqual(sum("HB-15 is already out, with" in answer for answer in answers), 1, answers)
        self.assertEqual(KitIssue.objects.filter(kit__tag="HB-15", returned_at=None).count(), 1)

    def test_a_dead_module_is_replaced_in_mid_session_and_undone(self):
        page = self.stores("kits")
        page.locator("#code:focus").wait_for()
        page.keyboard.press("+")
        page.get_by_label("Kit, its tag").fill("HB-08")
        page.get_by_label("Tag of the one that is given").fill("T-22")
        page.get_by_label("Why").fill("reads nan")
        page.keyboard.press("Enter")
        page.get_by_text("brood-box thermometer of HB-08: T-22 given.").wait_for()
        self.assertEqual(KitPart.objects.get(kit__tag="HB-08", ref="U1").module.tag, "T-22")
        page.get_by_role("tab", name="Faults").click()
        page.get_by_role("region", name="Faults").get_by_text("T-08").wait_for()
        page.get_by_role("button", name="Undo: HB-08 as it was").click()
        page.get_by_text("of HB-08 is as it was before").wait_for()

    def test_a_kit_that_the_spares_complete_is_filled_from_the_list_of_what_is_coming(self):
        Kit.objects.get(tag="HB-15").parts.filter(ref="BZ1").update(present=False)
        for kit in Kit.objects.filter(tag__in=["HB-11", "HB-12"]):
            open_fault(None, "box broken", kit=kit)
        page = self.stores("coming-sessions")
        page.get_by_role("button", name="It is filled").first.click()
        page.get_by_text("is ready.").wait_for()
        self.assertEqual(StockItem.objects.get(part="buzzer").count, 1)

    def test_a_table_is_looked_at_before_it_is_imported(self):
        page = self.stores("labels-and-tables")
        page.get_by_role("button", name="Import Drawers").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_label("Or paste cells").fill(
            "Part\tTitle\tDrawer\tCount\n\tglue sticks\tG1\t12\nled\t\tD9\tmany\n"
        )
        dialog.get_by_role("button", name="See what would change").click()
        dialog.get_by_text("is no whole number").or_(dialog.get_by_text("is no number")).wait_for()
        self.assertFalse(StockItem.objects.filter(title="glue sticks").exists())
        dialog.get_by_role("button", name="Import 1 row").click()
        dialog.get_by_text("1 added, 0 changed, 1 left out.").wait_for()
        self.assertEqual(StockItem.objects.get(title="glue sticks").count, 12)
