"""The demo course for tests of the site, and clients that speak as its people."""

from typing import Any

from django.test import Client, TestCase

from tests.demo_data import put_demo
from verifex.dockets.models import Attempt, Docket
from verifex.people.models import User
from verifex.plan.models import Session


class Speaker(Client):
    """A logged-in client that speaks JSON."""

    def ask(self, path: str, **body: Any) -> Any:
        """GET without a body, POST with one; the answer has `.status_code` and `.json()`."""
        if body:
            return self.post(path, body, content_type="application/json")
        return self.get(path)


class DemoCase(TestCase):
    """Each test class has the demo course; each test its own copy of it."""

    session: Session

    @classmethod
    def setUpTestData(cls):
        cls.session = put_demo()

    def speaker(self, username: str) -> Speaker:
        client = Speaker()
        client.force_login(User.objects.get(username=username))
        return client

    def setUp(self):
        self.instructor = self.speaker("ines.marlow")
        self.assistant = self.speaker("tomas.reed")

    def docket(self, bench: int) -> Docket:
        return Docket.objects.get(pair__seat__bench=bench, session=self.session)

    def last(self, bench: int, kind: str) -> Attempt:
        """The last attempt of a kind at a bench."""
        return self.docket(bench).attempts.filter(kind=kind).latest("number")

    def state(self, bench: int, station: str) -> str | None:
        row = self.docket(bench).stations.filter(station=station).first()
        return row.state if row else None

    def member(self, bench: int) -> Speaker:
        """The first student of the pair at a bench."""
        return self.speaker(self.docket(bench).pair.members.earliest("id").user.username)

    def hand_in(self, bench: int, kind: str, text: str, *, token: str = "t1", based_on: int | None = None) -> Any:
        docket = self.docket(bench)
        seen = docket.attempts.filter(kind=kind).count() if based_on is None else based_on
        return self.member(bench).ask(
            f"/api/my/dockets/{docket.pk}/hand-in", kind=kind, text=text, token=token, based_on_attempt=seen
        )
