"""Reading is cheap and changes nothing: a fixed number of queries, 304 where nothing is new, not a row written."""

from contextlib import contextmanager
from datetime import timedelta

from django.apps import apps
from django.db import connection
from django.test.utils import CaptureQueriesContext
from django.utils import timezone

from tests.site.base import DemoCase
from tests.site.interface.addresses import addresses
from tests.site.large import copy_class
from verifex.dockets.models import BenchSheets, Judgement
from verifex.plan.models import Session
from verifex.work.models import SharedCacheRow


class QueriesTest(DemoCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        copy_class(cls.session)

    @contextmanager
    def at_most(self, queries: int):
        with CaptureQueriesContext(connection) as seen:
            yield
        self.assertLessEqual(len(seen), queries, "\n".join(q["sql"][:160] for q in seen.captured_queries))

    def test_the_floor_of_48_pairs(self):
        with self.at_most(16):
            floor = self.instructor.ask(f"/api/sessions/{self.session.pk}/floor").json()
        self.assertEqual(len(floor["benches"]), 48)

    def test_my_bench(self):
        member, path = self.member(7), f"/api/my/dockets/{self.docket(7).pk}"
        with self.at_most(13):
            self.assertEqual(member.ask(path).status_code, 200)

    def test_the_marks_of_the_class(self):
        with self.at_most(17):
            rows = self.instructor.ask(f"/api/sessions/{self.session.pk}/marks").json()["rows"]
        self.assertEqual(len(rows), 48)


class FindingAPairTest(DemoCase):
    def test_pairs_come_with_the_names_of_their_members_by_bench(self):
        pairs = self.assistant.ask(f"/api/sessions/{self.session.pk}/pairs").json()
        two = next(row for row in pairs if row["bench"] == 2)
        self.assertEqual((two["pair"], two["members"]), ("Castell · Nwosu", ["Leo Castell", "Ada Nwosu"]))
        self.assertEqual([row["bench"] for row in pairs][:3], [1, 2, 3])
        self.assertEqual(self.member(2).ask(f"/api/sessions/{self.session.pk}/pairs").status_code, 403)

    def test_the_running_session_comes_before_one_that_begins_sooner_than_it_began(self):
        now, one = timezone.now(), self.session
        Session.objects.exclude(pk=one.pk).delete()
        Session.objects.filter(pk=one.pk).update(starts_at=now - timedelta(hours=2), ends_at=now + timedelta(hours=1))
        soon = Session.objects.create(
            section=one.section, room=one.room, starts_at=now + timedelta(minutes=70), ends_at=now + timedelta(hours=4)
        )
        over = Session.objects.create(
            section=one.section, room=one.room, starts_at=now - timedelta(hours=4), ends_at=now - timedelta(hours=3)
        )
        listed = [row["id"] for row in self.instructor.ask("/api/sessions").json()]
        self.assertEqual(listed, [one.pk, soon.pk, over.pk])


class NothingNewTest(DemoCase):
    def known(self, client, path: str) -> str:
        answer = client.get(path)
        self.assertEqual((answer.status_code, answer["Cache-Control"]), (200, "private, no-cache"))
        return str(answer["ETag"])

    def test_what_has_not_changed_is_answered_with_nothing_and_what_has_with_all(self):
        member, docket = self.member(2), self.docket(2)
        paths = {
            f"/api/my/dockets/{docket.pk}": member,
            f"/api/sessions/{self.session.pk}/floor": self.instructor,
            f"/api/sessions/{self.session.pk}/marks": self.instructor,
            f"/api/dockets/{docket.pk}": self.instructor,
        }
        tags = {path: self.known(client, path) for path, client in paths.items()}
        for path, client in paths.items():
            with CaptureQueriesContext(connection) as seen:
                again = client.get(path, headers={"If-None-Match": tags[path]})
            self.assertEqual((again.status_code, again.content), (304, b""), path)
            self.assertLessEqual(len(seen), 8, path)
        member.ask(f"/api/my/dockets/{docket.pk}/withdraw", station="wiring")
        for path, client in paths.items():
            self.assertEqual(client.get(path, headers={"If-None-Match": tags[path]}).status_code, 200, path)

    def test_one_persons_tag_is_not_anothers(self):
        path = f"/api/sessions/{self.session.pk}/floor"
        tag = self.known(self.instructor, path)
        self.assertEqual(self.assistant.get(path, headers={"If-None-Match": tag}).status_code, 200)

    def test_what_happens_elsewhere_makes_nothing_new_here(self):
        mine = f"/api/my/dockets/{self.docket(2).pk}"
        tag = self.known(self.member(2), mine)
        self.member(1).ask(f"/api/my/dockets/{self.docket(1).pk}/withdraw", station="readings")
        self.assertEqual(self.member(2).get(mine, headers={"If-None-Match": tag}).status_code, 304)


class NoGetWritesTest(DemoCase):
    def test_no_address_that_is_only_read_writes_a_row(self):
        docket, clients = self.docket(7), (self.instructor, self.member(7))
        # What was worked out with other rules is brought up to date by the runner, and by no reader.
        BenchSheets.objects.filter(docket=docket).update(digest="of other rules")
        Judgement.objects.filter(docket=docket).update(digest="of other rules")
        before, tried = self.rows_as_text(), 0
        for method, path in addresses():
            if method != "get":
                continue
            for name, value in {
                "docket_id": docket.pk,
                "session_id": self.session.pk,
                "version_id": 1,
                "work_id": 1,
            }.items():
                path = path.replace(f"{{{name}}}", str(value))
            for client in clients:
                client.get(path)
                tried += 1
        self.assertGreater(tried, 40)
        self.assertEqual(self.rows_as_text(), before)

    def rows_as_text(self) -> dict[str, str]:
        """Every row of every table of ours, as the database holds it."""
        ours = [m for m in apps.get_models() if m.__module__.startswith("verifex.") and m is not SharedCacheRow]
        return {model.__name__: repr(list(model._default_manager.order_by("pk").values())) for model in ours}
