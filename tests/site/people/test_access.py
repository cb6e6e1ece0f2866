"""What a pair sees of its own docket, log-in and log-out, and the page's own rules. Who reaches what: test_who_may."""

from django.test import Client

from tests.site.base import DemoCase, Speaker


class AccessTest(DemoCase):
    def test_a_pair_sees_hints_only_and_no_expected_values_before_its_readings(self):
        mine = self.member(2).ask(f"/api/my/dockets/{self.docket(2).pk}").json()
        self.assertIsNone(mine["sheet"])
        text = str(mine)
        for secret in ("Exchange the leads", "remedy", "'seen'", "reference_wiring", "low_ohms", "likely", "honesty"):
            self.assertNotIn(secret, text)
        self.assertTrue(mine["wiring"]["hints"][0]["hint"])

    def test_honesty_is_never_shown_to_a_pair(self):
        staff = self.instructor.ask(f"/api/dockets/{self.docket(11).pk}").json()
        self.assertEqual([f["rule"] for f in staff["readings"]["findings"]], ["same-noise"])
        mine = self.member(11).ask(f"/api/my/dockets/{self.docket(11).pk}").json()
        self.assertEqual(mine["readings"]["hints"], [])
        self.assertNotIn("Okoye", str(mine))
        self.assertIsNone(mine["sheet"])  # its readings are in, and not passed yet
        self.assertEqual(
            {step["verdict"] for step in mine["steps"]} - {""}, {step["verdict"] for step in mine["steps"]}
        )

    def test_what_should_be_printed_is_shown_once_the_readings_are_passed(self):
        docket = self.docket(1)
        path = f"/api/my/dockets/{docket.pk}"
        before = self.member(1).ask(path).json()
        self.assertEqual((before["sheet"], before["steps"][0]["verdict"]), (None, "likely"))
        self.instructor.ask(f"/api/dockets/{docket.pk}/pass", station="readings")
        self.assertTrue(self.member(1).ask(path).json()["sheet"]["steps"])

    def test_a_write_without_the_token_is_refused(self):
        strict = Client(enforce_csrf_checks=True)
        strict.force_login(self.session.section.staff.earliest("id").user)
        self.assertEqual(strict.post("/api/log-out").status_code, 403)
        self.assertEqual(
            strict.post("/api/log-in", {"username": "x", "password": "y"}, content_type="application/json").status_code,
            403,
        )

    def test_logging_in_and_out(self):
        client = Speaker()
        wrong = client.ask("/api/log-in", username="ines.marlow", password="guess")
        self.assertEqual((wrong.status_code, wrong.json()["message"]), (403, "Wrong name or password."))
        self.assertEqual(
            client.ask("/api/log-in", username="ines.marlow", password="a demo pass phrase").json()["kind"],
            "instructor",
        )
        client.post("/api/log-out")
        self.assertEqual(client.ask("/api/me").json()["kind"], "nobody")

    def test_the_page_has_a_strict_policy(self):
        answer = Client().get("/floor")
        policy = answer.headers["Content-Security-Policy"]
        self.assertIn("default-src 'none'", policy)
        self.assertIn("script-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        self.assertIn("nonce-", policy)
