"""Roles: what each may reach. The list of addresses comes from the application itself."""

from django.test import Client

from tests.site.base import DemoCase, Speaker
from verifex.people.models import Section, Staff, User
from verifex.site.api import api
from verifex.work.models import Work

OPEN_TO_ALL = {"/api/me", "/api/log-in"}
SUMS = {"/api/sums", "/api/sums/bands", "/api/sums/value", "/api/sums/of/{name}"}
OPEN_TO_PAIRS = {"/api/me/password", "/api/log-out", "/api/sessions", "/api/names", "/api/my/dockets"} | SUMS


def addresses() -> list[tuple[str, str]]:
    """Every (method, path) the API has."""
    paths = dict(api.get_openapi_schema()["paths"])
    paths["/api/sessions/{session_id}/marks.csv"] = {"get": {}}
    return [(method, path) for path, methods in paths.items() for method in methods]


class AccessTest(DemoCase):
    def reach(self, client: Client, method: str, path: str, docket: int) -> int:
        for name, value in {"docket_id": docket, "session_id": self.session.pk, "version_id": 1, "work_id": 1}.items():
            path = path.replace(f"{{{name}}}", str(value))
        body = {"station": "wiring", "text": "", "kind": "wiring", "token": "t", "based_on_attempt": 0, "criterion": "care", "marks": "1",
                "reason": "r", "dockets": {}, "code": "x", "name": "rail", "value": "5", "compared": True, "wiring_attempt": 1, "user": 1, "tag": "HB-15", "badge": "P-02",
                "session": self.session.pk, "ref": "R1", "release": False}  # fmt: skip
        answer = client.get(path) if method == "get" else client.post(path, body, content_type="application/json")
        return answer.status_code

    def test_nobody_reaches_anything_without_logging_in(self):
        for method, path in addresses():
            if path not in OPEN_TO_ALL:
                self.assertEqual(self.reach(Client(), method, path, self.docket(1).pk), 401, path)

    def test_a_pair_reaches_nothing_of_another_pair_or_of_the_staff(self):
        stranger, other = self.member(2), self.docket(1)
        Work.objects.create(pk=1, kind="class-sheets", by=User.objects.get(username="ines.marlow"))
        before = (other.revision, other.attempts.count())
        tried = 0
        for method, path in addresses():
            if path in OPEN_TO_ALL | OPEN_TO_PAIRS:
                continue
            tried += 1
            self.assertIn(self.reach(stranger, method, path, other.pk), (403, 404), f"{method} {path}")
        self.assertGreater(tried, 20)
        self.assertEqual((self.docket(1).revision, self.docket(1).attempts.count()), before)

    def test_staff_of_another_section_reach_nothing_of_this_one(self):
        outsider = User.objects.create(username="out.sider")
        Staff.objects.create(
            section=Section.objects.create(course=self.session.section.course, name="another"),
            user=outsider,
            role="instructor",
        )
        client = Speaker()
        client.force_login(outsider)
        for method, path in addresses():
            if "{docket_id}" in path or "{session_id}" in path:
                self.assertIn(self.reach(client, method, path, self.docket(1).pk), (403, 404), f"{method} {path}")

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
        self.assertIsNotNone(mine["sheet"])  # its readings are in

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
        self.assertEqual(
            (wrong.status_code, wrong.json()["message"]), (403, "This name and password do not go together.")
        )
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
