"""Modules and kits: faults that block, parts given in mid-session, kits that serve several exercises, kits that come back."""

import base64
import io

from PIL import Image

from tests.site.stores.stores_case import StoresCase
from verifex.dockets.models import Docket
from verifex.exercises.models import Exercise
from verifex.stores.models import Fault, FaultPhoto, Kit, KitPart, Module, PartTest, StockItem, StockMove
from verifex.stores.services.faults import open_fault


class FaultTest(StoresCase):
    def test_a_module_with_a_fault_goes_nowhere_until_somebody_says_it_is_well(self):
        self.newcomers()
        module = self.module("HB-15")
        self.said(f"/api/modules/{module.pk}/faults", what="reads nan")
        self.assertIn("T-15: reads nan", self.hand_out("HB-15").json()["message"])
        fault = Fault.objects.get(what="reads nan")
        self.said(f"/api/faults/{fault.pk}/mend", _=1)
        self.assertEqual(self.hand_out("HB-15").status_code, 422)
        self.assertIn(
            "has a fault", self.said("/api/hatch/replace", 422, tag="HB-13", ref="U1", given="T-15", reason="x")
        )
        self.said(f"/api/faults/{fault.pk}/close", is_well=True, note="dry joint")
        self.assertEqual(self.hand_out("HB-15").status_code, 200)
        self.assertIn("closed already", self.said(f"/api/faults/{fault.pk}/close", 422, is_well=True))

    def test_how_often_it_broke_is_remembered_and_a_retired_one_leaves_its_kit(self):
        self.said(f"/api/modules/{self.module('HB-09').pk}/faults", what="leg loose")
        row = next(r for r in self.assistant.ask("/api/faults").json() if r["what"] == "leg loose")
        self.assertEqual((row["times"], row["kit"], row["module"]), ("third time", "HB-09", "T-09"))
        self.said(f"/api/faults/{row['id']}/close", is_well=False)
        place = KitPart.objects.get(kit__tag="HB-09", ref="U1")
        self.assertEqual((place.module, place.present), (None, False))
        self.assertEqual(
            self.assistant.ask(f"/api/modules/{Module.objects.get(tag='T-09').pk}").json()["state"], "retired"
        )

    def test_a_picture_is_made_small_and_only_staff_see_it(self):
        fault = open_fault(None, "scorched", kit=Kit.objects.get(tag="HB-13"))
        out = io.BytesIO()
        Image.new("RGB", (3000, 2000), "green").save(out, "PNG")
        self.said(f"/api/faults/{fault.pk}/photos", data=base64.b64encode(out.getvalue()).decode())
        photo = FaultPhoto.objects.get()
        self.assertLess(len(photo.jpeg), 200_000)
        self.assertEqual(max(Image.open(io.BytesIO(photo.jpeg)).size), 1400)
        self.assertEqual(self.assistant.get(f"/api/faults/photos/{photo.pk}/jpeg")["Content-Type"], "image/jpeg")
        self.assertEqual(self.member(1).get(f"/api/faults/photos/{photo.pk}/jpeg").status_code, 403)
        for junk in ("bm8gcGljdHVyZQ==", "%%%", base64.b64encode(b"<svg/>").decode()):
            self.assertIn("no picture", self.said(f"/api/faults/{fault.pk}/photos", 422, data=junk))


class ReplaceTest(StoresCase):
    def test_another_module_in_mid_session_is_what_the_checks_use_and_power_is_cleared_anew(self):
        spare = (
            Module.objects.filter(part="thermo-offset", place=None)
            .exclude(faults__closed_at=None, faults__isnull=False)
            .first()
        )
        said = self.said(
            "/api/hatch/replace", tag="HB-08", ref="u1", given=spare.tag.lower(), reason="reads nan", dead=True
        )
        self.assertEqual(said, f"brood-box thermometer of HB-08: {spare.tag} given.")
        self.assertEqual(Kit.objects.get(tag="HB-08").issues.get().modules["U1"], spare.tag)
        self.assertEqual(self.state(8, "power"), "voided")
        self.assertEqual(Fault.objects.get(what="reads nan").module.tag, "T-08")
        self.said("/api/hatch/undo-replace", tag="HB-08")
        self.assertEqual(self.module("HB-08").tag, "T-08")
        self.assertFalse(Fault.objects.filter(what="reads nan").exists())

    def test_a_part_without_a_tag_comes_out_of_its_drawer_and_goes_back_when_undone(self):
        drawer = StockItem.objects.get(part="buzzer")
        self.said("/api/hatch/replace", tag="HB-08", ref="BZ1", reason="silent")
        self.assertEqual(StockItem.objects.get(pk=drawer.pk).count, drawer.count - 1)
        self.said("/api/hatch/undo-replace", tag="HB-08")
        self.assertEqual(StockItem.objects.get(pk=drawer.pk).count, drawer.count)

    def test_what_does_not_fit_or_is_elsewhere_is_refused(self):
        table = {"RL-01": "is no brood-box thermometer: it is a", "T-05": "is in HB-05", "X-99": "No module has the tag",
                 "": "scan the tag of the one that is given"}  # fmt: skip
        for given, said in table.items():
            self.assertIn(said, self.said("/api/hatch/replace", 422, tag="HB-08", ref="U1", given=given, reason="x"))

    def test_a_substitution_is_undone_and_the_resistor_lies_in_its_drawer_again(self):
        before = StockItem.objects.get(ohms=390).count
        self.said("/api/hatch/substitute", tag="HB-05", ref="R1", value="390", reason="none left")
        self.said("/api/hatch/undo-substitute", tag="HB-05")
        self.assertEqual(StockItem.objects.get(ohms=390).count, before)
        self.assertEqual(
            list(StockMove.objects.filter(note="HB-05 R1").values_list("why", flat=True)), ["given", "put-back"]
        )

    def test_a_batch_with_another_leg_order_is_what_the_wiring_is_judged_with(self):
        """Bench 4 wired its thermometer as the batch was said to be printed; then somebody reads the printing."""
        docket, batch = self.docket(4), self.module("HB-04").batch
        text = docket.attempts.get(kind="wiring").text
        check = f"/api/dockets/{docket.pk}/check-wiring"
        before = self.instructor.ask(check, text=text).json()["findings"]
        self.assertNotIn("stop", {f["severity"].lower() for f in before})
        answer = self.assistant.put(
            f"/api/batches/{batch.pk}",
            {"name": batch.name, "part": batch.part, "leg_order": "ground-out-supply"}, content_type="application/json",
        )  # fmt: skip
        self.assertEqual(answer.status_code, 200)
        found = self.instructor.ask(check, text=text).json()["findings"]
        self.assertIn("supply-reversed", {f["rule"] for f in found if f["severity"].lower() == "stop"})

    def test_a_test_that_was_opened_for_a_module_blames_that_one_though_it_was_exchanged(self):
        issue = Kit.objects.get(tag="HB-07").issues.get()
        old = self.module("HB-07")
        test = PartTest.objects.create(
            kit=issue.kit,
            issue=issue,
            ref="U1",
            module=old,
            title="thermometer",
            because="its supply was reversed",
            how="h",
            well="w",
        )
        self.said("/api/hatch/replace", tag="HB-07", ref="U1", given="T-22", reason="hot", dead=False)
        self.said(f"/api/kits/tests/{test.pk}", is_well=False)
        self.assertTrue(old.faults.filter(closed_at=None).exists())
        self.assertEqual(self.module("HB-07").tag, "T-22")
        self.assertFalse(Fault.objects.filter(module__tag="T-22").exists())


class ServingTest(StoresCase):
    def test_a_kit_goes_out_for_another_exercise_that_it_has_everything_for(self):
        """HB-15 gets a gas module too: then it serves the smoke room's exercise, whose U1 it is."""
        self.newcomers()
        kit, gas = Kit.objects.get(tag="HB-15"), self.module("SR-01")
        KitPart.objects.filter(kit__tag="SR-01").delete()
        KitPart.objects.create(kit=kit, ref="U2", part="gas-heated", title="smoke-room module", module=gas)
        row = next(k for k in self.assistant.ask("/api/kits").json() if k["tag"] == "HB-15")
        self.assertEqual(row["serves"], ["Smoke-room air"])
        self.session.planned.all().delete()
        self.session.planned.create(exercise=Kit.objects.get(tag="SR-02").exercise)
        self.assertEqual(self.hand_out("HB-15").status_code, 200)
        issue = kit.issues.get()
        self.assertEqual((issue.exercise.title, issue.refs), ("Smoke-room air", {"U1": "U2", "BZ1": "BZ1"}))
        self.assertEqual((issue.modules["U1"], list(issue.calibrations)), (gas.tag, ["U1"]))
        self.assertEqual(self.docket(13).version.exercise.title, "Smoke-room air")

    def test_a_pair_has_one_kit_for_each_exercise_it_does_and_each_its_own_docket(self):
        self.newcomers()
        for slug in ("smoke-room-air", "lid-open-watch"):
            self.session.planned.create(exercise=Exercise.objects.get(slug=slug))
        for tag in ("SR-02", "LO-01"):
            self.assertEqual(self.hand_out(tag).status_code, 200)
        self.assertIn("still has SR-02", self.hand_out("SR-03").json()["message"])
        dockets = Docket.objects.filter(pair__badge="P-13")
        self.assertEqual([d.version.exercise.slug for d in dockets], ["smoke-room-air", "lid-open-watch"])
        self.said("/api/hatch/take-back", tag="SR-02")
        self.assertEqual(self.hand_out("SR-03").status_code, 200)
        self.assertEqual(dockets.count(), 2)


class CameBackTest(StoresCase):
    def test_missing_used_up_and_faulty_parts_are_written_down_and_the_kit_is_held_back(self):
        self.said("/api/hatch/take-back", tag="HB-07")
        looked = self.assistant.ask("/api/hatch/inspection?tag=hb-07").json()
        self.assertEqual([part["ref"] for part in looked["parts"]], ["U1", "D1", "R1", "BZ1", "B1"])
        said = self.said("/api/hatch/came-back", tag="hb-07", missing=["D1"], used_up=["R1"], faults={"U1": "leg bent"})
        self.assertEqual(said, "HB-07: D1 missing; R1 used up; U1 to repair: leg bent.")
        drawers = {part: StockItem.objects.get(**part_of).count for part, part_of in
                   (("led", {"part": "led", "colour": "red"}), ("r", {"ohms": 330}))}  # fmt: skip
        said = self.said("/api/hatch/put-right", tag="HB-07")
        self.assertIn("The drawer of 330 Ω resistor counted none: count it again.", said)
        self.assertEqual(StockItem.objects.get(part="led", colour="red").count, drawers["led"] - 1)
        self.assertEqual(StockItem.objects.get(ohms=330).count, 0)
        row = next(r for r in self.assistant.ask("/api/stock").json() if r["ohms"] == 330)
        self.assertEqual((row["count"], row["short"]), (0, 1))

    def test_what_it_does_not_have_cannot_be_missing(self):
        self.said("/api/hatch/take-back", tag="HB-07")
        self.assertIn("has no X9", self.said("/api/hatch/came-back", 422, tag="HB-07", missing=["X9"]))
