"""The stores as tables and on paper."""

import base64

from tests.site.stores.stores_case import StoresCase
from verifex.stores.models import StockItem


class TablesTest(StoresCase):
    def file(self, text: str) -> str:
        return base64.b64encode(text.encode()).decode()

    def preview(self, name: str, text: str):
        return self.assistant.ask(f"/api/stores/tables/{name}/preview", data=self.file(text)).json()

    def test_what_is_written_is_read_back_as_it_is(self):
        for name in ("kits", "modules", "batches", "drawers", "calibrations"):
            with self.subTest(name):
                csv = self.assistant.get(f"/api/stores/tables/{name}.csv").content.decode()
                kinds = {change["kind"] for change in self.preview(name, csv)["changes"]}
                self.assertEqual(kinds, {"same"})
                self.assertEqual(self.assistant.get(f"/api/stores/tables/{name}.xlsx").content[:2], b"PK")

    def test_a_preview_stores_nothing_and_the_import_does_what_it_said(self):
        text = "Part,Title,Value,Drawer,Count,Smallest stock\nresistor,,1k5,C9,25,10\nresistor,,100R,C1,33,20\nresistor,,abc,C1,1,1\n,glue,,G1,-4,0\n"
        found = self.preview("drawers", text)
        self.assertEqual([change["kind"] for change in found["changes"]], ["added", "changed", "wrong", "wrong"])
        self.assertEqual(found["changes"][1]["what"], "count 40 → 33")
        self.assertFalse(StockItem.objects.filter(ohms=1500).exists())
        body = {"data": self.file(text), "digest": found["digest"]}
        self.assertEqual(self.said("/api/stores/tables/drawers/import", **body), "1 added, 1 changed, 2 left out.")
        self.assertEqual(StockItem.objects.get(ohms=100).moves.latest("id").why, "counted")
        self.assertEqual(self.assistant.ask("/api/stores/tables/drawers/import", **body).status_code, 409)

    def test_modules_come_in_with_their_kit_and_settings_or_are_told_why_not(self):
        text = "Tag,Part,Kit,Place,Settings\nT-90,thermo-offset,,,\nM-90,motion,,,hold=9s; jumper=single\nM-91,motion,,,jumper=both\nX-1,nonsense,,,\nT-91,thermo-offset,HB-15,U1,\n"  # fmt: skip
        found = {c["about"]: (c["kind"], c["what"]) for c in self.preview("modules", text)["changes"]}
        self.assertEqual({tag: kind for tag, (kind, _) in found.items()},
                         {"T-90": "added", "M-90": "added", "M-91": "wrong", "X-1": "wrong", "T-91": "wrong"})  # fmt: skip
        self.assertIn("jumper", found["M-91"][1])
        self.assertIn("no free place", found["T-91"][1])

    def test_a_table_of_something_else_is_refused_with_the_columns_it_has(self):
        answer = self.assistant.ask("/api/stores/tables/modules/preview", data=self.file("Name,Email\na,b\n"))
        self.assertEqual(answer.status_code, 422)
        self.assertIn("Tag, Part is missing", answer.json()["message"])

    def test_a_table_that_would_hold_everybody_up_is_imported_in_parts(self):
        rows = "".join(f"Q-{n},motion\n" for n in range(601))
        answer = self.assistant.ask("/api/stores/tables/modules/preview", data=self.file(f"Tag,Part\n{rows}"))
        self.assertIn("Import up to 600 at a time", answer.json()["message"])

    def test_a_cell_is_no_formula_in_what_is_written(self):
        StockItem.objects.create(title="=1+1", drawer="Z1")
        self.assertIn("'=1+1", self.assistant.get("/api/stores/tables/drawers.csv").content.decode())


class PapersTest(StoresCase):
    def test_labels_and_lists_are_pdf_and_a_sheet_that_was_begun_is_used_up(self):
        paths = ["/api/stores/labels.pdf?kind=modules&tags=T-01,T-02&sheet=a4-65&first=12", "/api/stores/labels.pdf?kind=badges",
                 f"/api/sessions/{self.session.pk}/inspection.pdf", f"/api/sessions/{self.session.pk}/picking.pdf",
                 "/api/stores/coming.pdf"]  # fmt: skip
        for path in paths:
            self.assertEqual(self.assistant.get(path).content[:5], b"%PDF-", path)
        for query, said in (
            ("first=99", "labels 1 to 24"),
            ("tags=NONE", "nothing to print"),
            ("sheet=a9", "no sheet"),
        ):
            answer = self.assistant.get(f"/api/stores/labels.pdf?{query}")
            self.assertEqual(answer.status_code, 422)
            self.assertIn(said, answer.json()["message"])
