"""What a stranger would try: each answered in words, none with an error page, none that holds the others up."""

import json
from unittest.mock import patch

from django.core.cache import caches
from django.test import override_settings

from tests.samples import hand_in
from tests.site.base import DemoCase, Speaker
from verifex.acts.models import Event
from verifex.stores.models import KitIssue


class ShapesTest(DemoCase):
    def test_what_cannot_be_is_refused_in_json_and_never_an_error(self):
        docket, big = self.docket(2).pk, 2**63
        mine, staff = f"/api/my/dockets/{docket}", f"/api/dockets/{docket}"
        table = [
            (self.member(2), f"{mine}/hand-in", {"kind": "soup", "text": "x", "token": "t", "based_on_attempt": 0}),
            (self.member(2), f"{mine}/hand-in", {"kind": "wiring", "text": "\ud800", "token": "t", "based_on_attempt": 2}),
            (self.member(2), f"{mine}/hand-in", {"kind": "program", "text": "\udfff", "token": "t", "based_on_attempt": 0}),
            (self.member(2), f"{mine}/hand-in", {"kind": "wiring", "text": "x", "token": "\ud800", "based_on_attempt": 2}),
            (self.member(2), f"{mine}/hand-in", {"kind": "wiring", "text": "x", "token": "t", "based_on_attempt": big}),
            (self.member(2), f"{mine}/measure", {"name": "\ud800", "value": 5}),
            (self.member(2), f"{mine}/ask", {"station": "\ud800"}),
            (self.instructor, f"{staff}/marks", {"criterion": "\ud800", "marks": "1", "reason": "r"}),
            (self.instructor, f"{staff}/students", {"user": big, "reason": "r"}),
            (self.assistant, "/api/hatch/hand-out", {"session": big, "tag": "x", "badge": "y"}),
            (self.assistant, "/api/hatch/take-back", {"tag": "\ud800"}),
        ]  # fmt: skip
        for client, path, body in table:
            answer = client.post(path, json.dumps(body), content_type="application/json")
            self.assertIn(answer.status_code, (404, 409, 422), (path, body))
            self.assertTrue(answer.json()["message"], path)

    def test_numbers_that_are_none_and_bodies_that_are_no_json(self):
        path = f"/api/my/dockets/{self.docket(2).pk}"
        for body in ('{"name":"rail","value":NaN}', '{"name":"rail","value":Infinity}', "[", "", "[" * 5000):
            answer = self.member(2).post(f"{path}/measure", body, content_type="application/json")
            self.assertIn(answer.status_code, (400, 422), body[:40])
            self.assertTrue(answer.json()["message"])
        form = self.member(2).post(f"{path}/hand-in", {"kind": "wiring"})  # multipart
        self.assertIn(form.status_code, (400, 422))

    def test_an_id_that_no_database_holds_is_no_id(self):
        for path in (
            "/api/dockets/{}",
            "/api/my/dockets/{}",
            "/api/sessions/{}/floor",
            "/api/work/{}",
            "/api/exercises/{}/file",
        ):
            for number in (2**63, -1, 10**40):
                self.assertIn(self.instructor.get(path.format(number)).status_code, (404, 422), path)

    def test_an_exercise_file_that_is_a_trap_is_refused_at_its_line(self):
        for text in ("a: &a\nb: *a\n", "[" * 2000, "id: x\nsteps: [{value: .inf}]\n", "a: &a [x]\n" + "".join(f"{c}: &{c} [*a,*a,*a]\n" for c in "bcdefgh")):  # fmt: skip
            answer = self.instructor.ask("/api/exercises", text=text)
            self.assertEqual(answer.status_code, 422, text[:30])
            self.assertTrue(answer.json()["problems"], text[:30])

    def test_an_error_of_ours_is_told_in_one_sentence_and_logged_whole(self):
        client = Speaker(raise_request_exception=False)
        client.force_login(self.session.section.staff.earliest("id").user)
        with (
            patch("verifex.stores.api.kits._row", side_effect=ZeroDivisionError("a slip")),
            self.assertLogs("verifex.site.api", "ERROR") as log,
        ):
            answer = client.get("/api/kits")
        self.assertEqual((answer.status_code, "written down" in answer.json()["message"]), (500, True))
        self.assertIn("a slip", log.output[0])
        self.assertNotIn("a slip", answer.content.decode())


class LogInTest(DemoCase):
    def setUp(self):
        super().setUp()
        caches["shared"].clear()
        self.addCleanup(caches["shared"].clear)

    def log_in(self, name: str, word: str, address: str = "10.0.0.1") -> int:
        body = json.dumps({"username": name, "password": word})
        answer = Speaker().post("/api/log-in", body, content_type="application/json", REMOTE_ADDR=address)
        return answer.status_code

    def test_guessing_for_one_name_is_slowed_down_and_the_rest_of_the_class_is_not(self):
        answers = [self.log_in("ines.marlow", f"guess {n}") for n in range(9)]
        self.assertEqual((answers[0], answers[-1]), (403, 429))
        self.assertEqual(self.log_in("ines.marlow", "a demo pass phrase"), 429)
        self.assertEqual(self.log_in("tomas.reed", "a demo pass phrase"), 200)  # behind the same address
        self.assertEqual(self.log_in("ines.marlow", "a demo pass phrase", "10.0.0.2"), 200)

    def test_the_administration_pages_have_no_log_in_of_their_own(self):
        answer = Speaker().get("/admin/login/")
        self.assertEqual((answer.status_code, answer["Location"]), (302, "/log-in"))

    def test_ones_own_password_is_changed_with_the_old_one(self):
        member = self.member(2)
        for old, new, said in (
            ("wrong", "a long new phrase", "is wrong"),
            ("a demo pass phrase", "short", "too short"),
            ("a demo pass phrase", "password123", "too common"),
        ):
            answer = member.ask("/api/me/password", old=old, new=new)
            self.assertEqual((answer.status_code, said in answer.json()["message"]), (422, True), said)
        self.assertEqual(
            member.ask("/api/me/password", old="a demo pass phrase", new="beside the hive").status_code, 200
        )
        self.assertEqual(member.ask("/api/me").json()["kind"], "pair")  # still logged in here
        self.assertEqual(self.log_in("leo.castell", "beside the hive"), 200)
        self.assertTrue(Event.objects.filter(verb="changed the password").exists())


class AdminTest(DemoCase):
    def test_what_services_own_is_only_shown(self):
        user = self.session.section.staff.earliest("id").user
        user.is_staff = user.is_superuser = True
        user.save()
        docket = self.docket(1)
        for name, pk in (
            ("dockets/attempt", docket.attempts.earliest("id").pk),
            ("dockets/docket", docket.pk),
            ("stores/kit", 1),
        ):
            page = f"/admin/{name}/{pk}/change/"
            self.assertEqual(self.instructor.get(page).status_code, 200, name)
            self.assertEqual(self.instructor.post(page, {"text": "other"}).status_code, 403, name)
            self.assertEqual(self.instructor.post(f"/admin/{name}/{pk}/delete/", {"post": "yes"}).status_code, 403)
            self.assertEqual(self.instructor.get(f"/admin/{name}/add/").status_code, 403)
        self.assertEqual(self.instructor.get("/admin/acts/event/").status_code, 200)


class BehindAProxyTest(DemoCase):
    @override_settings(SECURE_PROXY_SSL_HEADER=("HTTP_X_FORWARDED_PROTO", "https"), SECURE_HSTS_SECONDS=60)
    def test_tls_that_a_proxy_ends_is_known_as_such(self):
        answer = Speaker().get("/log-in", headers={"X-Forwarded-Proto": "https"})
        self.assertIn("max-age=60", answer.headers["Strict-Transport-Security"])
        self.assertNotIn("Strict-Transport-Security", Speaker().get("/log-in").headers)


class HatchTrapsTest(DemoCase):
    def test_a_kit_is_taken_back_once(self):
        first = self.assistant.ask("/api/hatch/take-back", tag="HB-08", faults=["leg bent"])
        second = self.assistant.ask("/api/hatch/take-back", tag="HB-08", faults=[])
        self.assertEqual((first.status_code, second.status_code), (200, 422))
        self.assertEqual(KitIssue.objects.get(kit__tag="HB-08").faults, ["leg bent"])

    def test_power_is_off_once_the_kit_is_back_and_the_docket_goes_on_with_its_version(self):
        from verifex.exercises.models import ExerciseVersion
        from verifex.exercises.services import add_version, release
        from verifex.people.models import User

        self.assistant.ask("/api/hatch/take-back", tag="HB-08")
        self.assertEqual(self.state(8, "power"), "voided")
        self.assertFalse(self.docket(8).clearances.filter(voided_at=None).exists())
        ines = User.objects.get(username="ines.marlow")
        old = ExerciseVersion.objects.get(exercise__slug="brood-box-heat-watch")
        release(
            ines, new := add_version(ines, self.session.section.course, old.text.replace("minutes: 50", "minutes: 55"))
        )
        self.assertEqual(
            self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag="HB-15", badge="P-08").status_code,
            200,
        )
        self.assertEqual((self.docket(8).version, new.number), (old, 2))  # one docket, as it was opened

    def test_another_sections_staff_learn_of_no_pair_and_take_no_kit(self):
        from verifex.people.models import Section, Staff, User

        other = Section.objects.create(course=self.session.section.course, name="group C")
        Staff.objects.create(section=other, user=User.objects.create(username="c.staff"), role="assistant")
        speaker = self.speaker("c.staff")
        self.assertNotIn("Castell", str(speaker.ask("/api/kits").json()))
        self.assertEqual(speaker.ask("/api/hatch/take-back", tag="HB-02").status_code, 403)

    def test_tag_and_badge_are_read_in_either_order_with_the_reason_at_once(self):
        def read(code: str):
            return self.assistant.ask("/api/hatch/read", session=self.session.pk, code=code)

        self.assertEqual(read("hb-15").json(), {"kind": "kit", "code": "HB-15", "named": "HB-15"})
        for code in ("p-02", "Castell · Nwosu", "castell", "ADA"):
            self.assertEqual(read(code).json()["code"], "P-02", code)
        for code, said in (
            ("HB-14", "in repair"),
            ("HB-13", "lacks sounder"),
            ("HB-02", "already out"),
            ("HB-99", "badge or name"),
            (" ", "Scan or type"),
        ):
            self.assertIn(said, read(code).json()["message"], code)

    def test_a_return_can_be_undone_and_a_fault_written_down_after_the_scan(self):
        self.assistant.ask("/api/hatch/take-back", tag="HB-02")
        noted = self.assistant.ask("/api/hatch/faults", tag="HB-02", faults=["sounder silent"])
        self.assertIn("goes to repair: sounder silent", noted.json()["message"])
        undone = self.assistant.ask("/api/hatch/undo-take-back", tag="HB-02")
        self.assertIn("with Castell · Nwosu again", undone.json()["message"])
        issue = KitIssue.objects.get(kit__tag="HB-02")
        self.assertEqual((issue.returned_at, issue.faults, issue.kit.fault_rows.count()), (None, [], 0))
        again = self.assistant.ask("/api/hatch/undo-take-back", tag="HB-02")
        self.assertEqual(again.status_code, 422)


class PairSecretsTest(DemoCase):
    def mine(self, bench: int):
        return self.member(bench).ask(f"/api/my/dockets/{self.docket(bench).pk}").json()

    def test_expected_values_come_only_for_steps_that_were_read(self):
        self.hand_in(3, "program", hand_in("sound-a.cpp"))
        self.hand_in(3, "readings", "1\n", token="forged")
        self.assertIsNone(self.mine(3)["sheet"])  # a log of just 1 opens nothing
        self.assertIn("No step is marked", str(self.mine(3)["readings"]["notes"]))
        self.hand_in(3, "readings", "# Room air\n22.4\n22.6\nnan\n# Attic\n3\n", token="one", based_on=1)
        self.assertIsNone(self.mine(3)["sheet"])  # it is not passed yet: the next attempt could be copied from it
        self.instructor.ask(f"/api/dockets/{self.docket(3).pk}/pass", station="readings")
        mine = self.mine(3)
        self.assertEqual([step["name"] for step in mine["sheet"]["steps"]], ["Room air"])
        self.assertEqual((mine["sheet"]["plot"], mine["sheet"]["budget"]), ([], None))
        self.assertEqual([r["plot"] for r in mine["sheet"]["readings"]], [[]])
        notes = " ".join(mine["readings"]["notes"])
        self.assertIn("“Attic” belongs to no step", notes)
        self.assertIn("nan", notes)

    def test_the_first_attempt_stands_as_the_first_and_a_later_one_is_told(self):
        self.hand_in(3, "readings", "# Room air\n60\n60\n60\n", token="one")
        self.hand_in(3, "readings", hand_in("in-limits.txt"), token="two", based_on=1)
        told = self.instructor.ask(f"/api/dockets/{self.docket(3).pk}").json()["readings"]["attempts"]
        self.assertEqual([a["number"] for a in told], [1, 2])
        self.assertNotEqual(told[0]["verdict"], "in-limits")

    def test_no_name_of_a_rule_and_no_reason_of_the_staff_reaches_a_pair(self):
        for bench in range(1, 13):
            text = str(self.mine(bench))
            for secret in ("supply-reversed", "led-no-series-resistor", "offset-not-taken-off", "overflow", "'rule'"):
                self.assertNotIn(secret, text, bench)

    def test_a_program_that_voids_the_clearance_says_power_off_and_not_the_fault(self):
        self.hand_in(8, "wiring", hand_in("one-half.bench") + "wire B1.D2 +L\n")
        docket = self.docket(8)
        self.instructor.ask(f"/api/dockets/{docket.pk}/clear", wiring_attempt=2, compared=True)
        driving = hand_in("sound-a.cpp").replace("pinMode(ledPin", "pinMode(2, OUTPUT);\n  pinMode(ledPin")
        self.hand_in(8, "program", driving, token="driving")
        self.assertEqual(self.mine(8)["voided"], "the program as handed in is not safe on this wiring")
        self.assertIn("D2 sinks", self.instructor.ask(f"/api/dockets/{docket.pk}").json()["voided"])
        card = next(
            c
            for c in self.instructor.ask(f"/api/sessions/{self.session.pk}/floor").json()["benches"]
            if c["bench"] == 8
        )
        self.assertEqual((card["off"], card["line"]), (True, "power off: clearance voided"))

    def test_a_value_that_cannot_be_tells_nothing_of_the_plan(self):
        said = self.member(6).ask(f"/api/my/dockets/{self.docket(6).pk}/measure", name="step:Room air", value=1e6)
        self.assertNotIn("21.5", said.json()["message"])
        self.assertIn("-40 to 125 °C", said.json()["message"])
