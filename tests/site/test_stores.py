"""The stores: modules with what is known of them, faults that block, drawers that are counted, tables that are read back."""

import base64
import io
from random import Random

from PIL import Image

from tests.site.base import DemoCase
from verifex.acts.models import Event
from verifex.dockets.models import Docket
from verifex.exercises.models import Exercise
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat
from verifex.stores.models import Fault, FaultPhoto, Kit, KitPart, Module, PartTest, StockItem, StockMove
from verifex.stores.services.faults import open_fault

ONE_POINT = {"kind": "one-point", "quantity": "celsius", "with_what": "reference thermometer"}


class StoresCase(DemoCase):
    def module(self, kit: str, ref: str = "U1") -> Module:
        return Module.objects.get(place__kit__tag=kit, place__ref=ref)

    def said(self, path: str, status: int = 200, **body):
        answer = self.assistant.ask(path, **body)
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()["message"]

    def newcomers(self) -> Pair:
        pair = Pair.objects.create(section=self.session.section, name="New · Comers", badge="P-13")
        PairMember.objects.create(pair=pair, user=User.objects.create(username="new.one"))
        Seat.objects.create(session=self.session, pair=pair, bench=13)
        return pair

    def hand_out(self, tag: str, badge: str = "P-13"):
        return self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag=tag, badge=badge)


class CalibrationTest(StoresCase):
    """Bench 1 has T-01, which nobody compared with anything yet."""

    def sheet(self, bench: int):
        return self.instructor.ask(f"/api/dockets/{self.docket(bench).pk}/sheets").json()["built"]

    def width(self, bench: int):
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
        docket = self.docket(1)
        docket.revision += 1
        docket.save()
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


class StockTest(StoresCase):
    def test_two_at_two_hatches_lose_nothing_of_each_other(self):
        item = StockItem.objects.get(ohms=390)
        seen = item.count
        self.said("/api/hatch/substitute", tag="HB-05", ref="R1", value="390", reason="none left")
        answer = self.instructor.ask(f"/api/stock/{item.pk}/count", seen=seen, found=seen + 2)
        self.assertEqual(StockItem.objects.get(pk=item.pk).count, seen + 1)
        moves = StockMove.objects.filter(item=item)
        self.assertEqual(sum(move.delta for move in moves), seen + 1)
        self.said(f"/api/stock/moves/{answer.json()['move']}/undo", _=1)
        self.assertEqual(StockItem.objects.get(pk=item.pk).count, seen - 1)

    def test_fewer_than_the_list_said_is_told_and_a_count_that_others_rest_on_stays(self):
        item = StockItem.objects.get(ohms=100)
        first = self.assistant.ask(f"/api/stock/{item.pk}/count", seen=40, found=37).json()
        self.assertEqual(first["message"], "100 Ω resistor: 37; 3 fewer than the list said.")
        self.said(f"/api/stock/{item.pk}/book-in", count=100)
        self.assertIn("Something happened", self.said(f"/api/stock/moves/{first['move']}/undo", 422, _=1))
        self.assertTrue(Event.objects.filter(verb__startswith="counted 100 Ω resistor").exists())

    def test_over_any_acts_each_count_is_what_its_acts_come_to(self):
        """A few hundred acts of two people, some of them refused; made by chance, the same each time."""
        chance = Random(4)
        items = list(StockItem.objects.values_list("pk", flat=True))
        people = (self.assistant, self.instructor)
        for _ in range(250):
            item, who = chance.choice(items), chance.choice(people)
            match chance.randrange(5):
                case 0:
                    who.ask(f"/api/stock/{item}/count", seen=chance.randrange(90), found=chance.randrange(90))
                case 1:
                    who.ask(f"/api/stock/{item}/book-in", count=chance.randrange(1, 9))
                case 2:
                    who.ask(
                        "/api/hatch/replace",
                        tag="HB-08",
                        ref=chance.choice(["R1", "D1", "BZ1"]),
                        reason="x",
                        dead=False,
                    )
                case 3:
                    who.ask("/api/hatch/undo-replace", tag="HB-08")
                case 4:
                    if last := StockMove.objects.order_by("-id").first():
                        who.ask(f"/api/stock/moves/{last.pk}/undo", _=1)
        for held in StockItem.objects.prefetch_related("moves"):
            moves = list(held.moves.all())
            self.assertEqual(sum(move.delta for move in moves), held.count, held.title)
            self.assertTrue(all(move.count_after >= 0 for move in moves))

    def test_orders_say_how_many_by_when_and_why(self):
        rows = {row["title"]: row for row in self.assistant.ask("/api/stores/orders").json()}
        self.assertEqual((rows["330 Ω resistor"]["by"], rows["330 Ω resistor"]["count"]), (None, 36))
        self.assertIn("0.8 used for ten kits", rows["390 Ω resistor"]["because"])
        self.assertEqual(rows["wall display"]["supplier"], "electronics counter in town")
        self.assertIn("330 Ω resistor,36,at once", self.assistant.get("/api/stores/orders.csv").content.decode())

    def test_no_student_sees_a_drawer(self):
        for path in (
            "/api/stock",
            "/api/modules",
            "/api/faults",
            "/api/batches",
            "/api/stores/tables/kits.csv",
            "/api/stores/labels.pdf",
        ):
            self.assertEqual(self.member(1).get(path).status_code, 403, path)


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
