"""What was measured of a module reaches the sheet of whoever has it."""

from tests.site.stores.stores_case import StoresCase
from verifex.stores.models import Kit, Module
from verifex.work import queue

ONE_POINT = {"kind": "one-point", "quantity": "celsius", "with_what": "reference thermometer"}


class CalibrationTest(StoresCase):
    """Bench 1 has T-01, which nobody compared with anything yet."""

    def sheet(self, bench: int):
        return self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/sheets").json()["built"]

    def width(self, bench: int):
        queue.work_through()  # the runner does it beside the server
        value = self.sheet(bench)["steps"][0]["value"]
        return round(value["high"] - value["low"], 6)

    def calibrate(self, module: Module, status: int = 200, **more):
        values = {"reference1": 21.5, "reads1": 21.6, "half": 0.2} | more
        return self.said(f"/api/modules/{module.pk}/calibrations", status, values=values, **ONE_POINT)

    def test_a_calibration_narrows_the_sheet_of_whoever_has_the_module_and_is_named_there(self):
        module, before = self.module("HB-01"), self.width(1)
        self.assertIn("+0.1 °C at 21.5 °C, ± 0.2 °C", self.calibrate(module))
        self.assertLess(self.width(1), before)
        [note] = [n for n in self.sheet(1)["notes"] if "calibration" in n]
        self.assertRegex(note, r"U1 counts with its calibration: T-01, .* reference thermometer")
        self.assertIn(
            "T-01 was calibrated", str(self.instructor.ask(f"/api/dockets/{self.docket(1).pk}/history").json())
        )
        made = module.calibrations.get()
        self.said(f"/api/calibrations/{made.pk}/withdraw", _=1)
        self.assertEqual(self.width(1), before)

    def test_it_ages_by_the_day_the_kit_was_given_and_the_sheet_says_so(self):
        self.calibrate(self.module("HB-01"))
        narrow = self.width(1)
        self.module("HB-01").calibrations.update(on="2026-01-05")
        issue = Kit.objects.get(tag="HB-01").issues.get()
        issue.calibrations = {"U1": [{**row, "on": "2026-01-05"} for row in issue.calibrations["U1"]]}
        issue.save()
        self.instructor.ask(f"/api/dockets/{self.docket(1).pk}/check-again", now=True)
        self.assertGreater(self.width(1), narrow)
        self.assertTrue(any("too old" in note for note in self.sheet(1)["notes"]))

    def test_figures_that_cannot_be_are_refused_with_what_can(self):
        self.assertIn("that is a fault", self.calibrate(self.module("HB-01"), 422, reads1=31.0))
        self.assertIn("still to come", self.said(f"/api/modules/{self.module('HB-01').pk}/calibrations", 422,
                                                 values={"reference1": 21, "reads1": 21, "half": 0.2}, on="2099-01-01", **ONE_POINT))  # fmt: skip

    def test_the_board_in_the_kit_brings_its_own_reference(self):
        sheet = self.sheet(6)  # fed by 3.3 V, with the internal reference
        self.assertAlmostEqual(sheet["reference"]["expected"], 1.087)
        kit = self.instructor.ask(f"/api/dockets/{self.docket(6).pk}").json()["kit"]
        self.assertEqual(
            (kit["modules"], list(kit["calibrations"])), ({"U1": "T-06", "board": "B-06"}, ["U1", "board"])
        )
        self.assertTrue(any("The board counts with its calibration: B-06" in note for note in sheet["notes"]))
