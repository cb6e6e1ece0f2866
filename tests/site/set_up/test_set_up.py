"""Set-up besides the class list: courses, sections, staff, pairs, rooms, sessions; each refusal says what to do instead."""

from datetime import timedelta
from typing import Any

from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.acts.models import Event
from verifex.exercises.models import Exercise
from verifex.people.models import Course, Pair, PairMember, Section, Staff, User
from verifex.plan.models import Room, Session
from verifex.stores.models import Kit


class SetUpCase(DemoCase):
    def setUp(self):
        super().setUp()
        self.section = self.session.section
        self.course = self.section.course

    def asked(self, method: str, path: str, status: int = 200, **body: Any) -> Any:
        """The answer of Set-up to its instructor; a refusal's message where another status is expected."""
        send = getattr(self.instructor, method)
        answer = send(f"/api/set-up/{path}", body, content_type="application/json")
        self.assertEqual(answer.status_code, status, answer.content[:300])
        return answer.json() if status == 200 else answer.json()["message"]

    def refused(self, method: str, path: str, said: str, **body: Any) -> None:
        self.assertIn(said, self.asked(method, path, 422, **body))

    def logged(self, verb: str) -> bool:
        return Event.objects.filter(verb=verb).exists()


class CourseTest(SetUpCase):
    def body(self, **changes: Any) -> dict[str, Any]:
        return {
            "title": "Sensors",
            "zone": "Europe/Dublin",
            "starts_on": "2031-01-06",
            "ends_on": "2031-03-31",
            **changes,
        }

    def test_title_zone_term_and_holidays_are_changed_together(self):
        path = f"courses/{self.course.pk}"
        self.asked("put", path, **self.body(holidays=["2031-02-10", "2031-02-03", "2031-02-10"]))
        now = self.asked("get", path)
        self.assertEqual((now["title"], now["holidays"]), ("Sensors", ["2031-02-03", "2031-02-10"]))
        self.assertTrue(self.logged("changed the course"))

    def test_what_cannot_be_is_refused_and_nothing_changes(self):
        before = Course.objects.get(pk=self.course.pk).title
        for changes, said in (
            ({"ends_on": "2030-01-01"}, "The term ends before it begins."),
            ({"zone": "Atlantis/Deep"}, "There is no time zone “Atlantis/Deep”"),
            ({"title": "   "}, "Give the course a name."),
        ):
            self.refused("put", f"courses/{self.course.pk}", said, **self.body(**changes))
        self.assertEqual(Course.objects.get(pk=self.course.pk).title, before)

    def test_an_assistant_changes_nothing_of_it(self):
        answer = self.assistant.put(
            f"/api/set-up/courses/{self.course.pk}", self.body(), content_type="application/json"
        )
        self.assertEqual(answer.status_code, 403)


class SectionTest(SetUpCase):
    def test_a_section_is_added_renamed_and_removed_while_it_is_empty(self):
        made = self.asked("post", f"courses/{self.course.pk}/sections", name="Friday")["id"]
        self.assertEqual(Staff.objects.get(section=made).user.username, "ines.marlow")
        self.asked("put", f"sections/{made}", name="Friday early")
        self.assertEqual(Section.objects.get(pk=made).name, "Friday early")
        self.asked("delete", f"sections/{made}")
        self.assertFalse(Section.objects.filter(pk=made).exists())

    def test_two_of_one_name_are_refused_in_any_letters(self):
        self.refused("post", f"courses/{self.course.pk}/sections", "already", name=self.section.name.upper())
        made = self.asked("post", f"courses/{self.course.pk}/sections", name="Friday")["id"]
        self.refused("put", f"sections/{made}", "already", name=self.section.name)

    def test_one_that_was_worked_in_stays_and_says_what_it_has(self):
        self.asked("post", f"courses/{self.course.pk}/sections", name="Friday")
        said = self.asked("delete", f"sections/{self.section.pk}", 422)
        for what in ("24 students", "12 pairs", "is kept"):
            self.assertIn(what, said)

    def test_the_last_one_of_a_course_stays(self):
        made = self.asked("post", "courses", title="New", zone="Europe/Dublin", sections=["Only"])["id"]
        only = Section.objects.get(course=made)
        self.refused("delete", f"sections/{only.pk}", "keeps one section")


class StaffTest(SetUpCase):
    def add(self, who: str, role: str = "assistant", status: int = 200) -> Any:
        return self.asked("post", f"sections/{self.section.pk}/staff", status, who=who, role=role)

    def test_somebody_new_gets_a_log_in_and_a_first_password_shown_once(self):
        made = self.add("Nora Quill")
        self.assertEqual((made["name"], made["log_in"]), ("Nora Quill", "n.quill"))
        user = User.objects.get(username="n.quill")
        self.assertTrue(user.check_password(made["password"]))
        self.assertEqual(self.speaker("n.quill").ask("/api/me").json()["change_password"], True)

    def test_somebody_who_is_there_already_is_added_by_their_log_in(self):
        other = self.asked("post", f"courses/{self.course.pk}/sections", name="Friday")["id"]
        made = self.asked("post", f"sections/{other}/staff", who="Tomas.Reed", role="instructor")
        self.assertEqual((made["log_in"], made["password"]), ("tomas.reed", ""))
        said = self.asked("post", f"sections/{other}/staff", 422, who="Tomas Reed", role="assistant")
        self.assertIn("add them by the log-in tomas.reed", said)

    def test_nobody_is_there_twice_nor_on_both_sides(self):
        self.assertIn("has a part in", self.add("tomas.reed", status=422))
        student = PairMember.objects.first().user
        self.assertIn("is on the class list", self.add(student.username, status=422))
        self.assertIn("give first and last name", self.add("Nora", status=422))
        self.assertIn("instructors or assistants", self.add("Nora Quill", "dean", 422))

    def test_a_section_always_has_an_instructor(self):
        ines, tomas = (User.objects.get(username=name) for name in ("ines.marlow", "tomas.reed"))
        path = f"sections/{self.section.pk}/staff"
        for role in ("assistant", None):
            self.refused("put", f"{path}/{ines.pk}", "needs an instructor", role=role)
        self.asked("put", f"{path}/{tomas.pk}", role="instructor")
        self.asked("put", f"{path}/{ines.pk}", role=None)
        self.assertFalse(Staff.objects.filter(section=self.section, user=ines).exists())
        self.assertEqual(self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/people").status_code, 403)

    def test_a_reset_password_ends_what_the_old_one_opened(self):
        tomas = User.objects.get(username="tomas.reed")
        self.assertEqual(self.assistant.ask("/api/kits").status_code, 200)
        made = self.asked("post", f"sections/{self.section.pk}/password", user=tomas.pk)
        self.assertEqual(self.assistant.ask("/api/kits").status_code, 401)
        tomas.refresh_from_db()
        self.assertTrue(tomas.check_password(made["password"]))
        outsider = User.objects.create(username="out.sider")
        self.refused("post", f"sections/{self.section.pk}/password", "not in this section", user=outsider.pk)


class PairsTest(SetUpCase):
    def members(self, pair: Pair) -> set[int]:
        return set(pair.members.filter(until=None).values_list("user", flat=True))

    def two(self) -> tuple[Pair, Pair]:
        first, second = Pair.objects.filter(section=self.section, archived_at=None).order_by("badge")[:2]
        return first, second

    def test_who_comes_leaves_the_pair_they_were_in_and_names_follow(self):
        first, second = self.two()
        stays, goes = sorted(self.members(first))
        comes, alone = sorted(self.members(second))
        self.asked("put", f"pairs/{first.pk}", members=[stays, comes])
        for pair in (first, second):
            pair.refresh_from_db()
        self.assertEqual((self.members(first), self.members(second)), ({stays, comes}, {alone}))
        self.assertIn(User.objects.get(pk=comes).last_name, first.name)
        self.assertEqual(second.name, User.objects.get(pk=alone).last_name)
        free = self.asked("get", f"sections/{self.section.pk}/people")["students"]
        self.assertEqual([row["user"] for row in free if row["pair"] is None], [goes])

    def test_a_pair_that_everybody_leaves_is_archived_with_its_dockets(self):
        first, second = self.two()
        both = self.members(second)
        self.asked("put", f"pairs/{first.pk}", members=[*both, min(self.members(first))])
        second.refresh_from_db()
        self.assertIsNotNone(second.archived_at)
        self.assertTrue(second.dockets.exists())

    def test_membership_is_dated_so_the_past_stays(self):
        first, second = self.two()
        gone = min(self.members(first))
        self.asked("put", f"pairs/{first.pk}", members=[max(self.members(first)), min(self.members(second))])
        self.assertIsNotNone(PairMember.objects.get(pair=first, user=gone).until)

    def test_nobody_and_four_are_no_pair_and_a_stranger_is_in_none(self):
        first, _ = self.two()
        self.refused("put", f"pairs/{first.pk}", "A pair has two members", members=[])
        stranger = User.objects.create(username="stranger")
        self.refused("put", f"pairs/{first.pk}", "not on the class list", members=[stranger.pk])

    def test_free_students_are_proposed_by_each_rule_and_earlier_partners_kept_apart(self):
        before = {frozenset(self.members(pair)) for pair in self.two()}
        for pair in self.two():
            self.asked("delete", f"pairs/{pair.pk}")
        for way in ("list", "random", "alike", "mixed"):
            found = self.asked("post", f"sections/{self.section.pk}/pairs/propose", way=way)["groups"]
            groups = {frozenset(member["user"] for member in group) for group in found}
            self.assertEqual(
                {user for group in groups for user in group}, {user for group in before for user in group}, way
            )
            if way != "list":
                self.assertEqual(groups & before, set(), way)
        self.assertEqual(Pair.objects.filter(section=self.section, archived_at=None).count(), 10)

    def test_two_pairs_of_one_family_name_are_told_apart(self):
        names = ("Ada Vane", "Bo Vane", "Cy Vane", "Di Vane")
        for name in names:
            self.asked("post", f"sections/{self.section.pk}/students", name=name)
        users = [User.objects.get(first_name=name.split()[0], last_name="Vane").pk for name in names]
        self.asked("post", f"sections/{self.section.pk}/pairs", groups=[users[:2], users[2:]])
        made = list(Pair.objects.filter(name__contains="Vane").order_by("badge").values_list("name", flat=True))
        self.assertEqual(made, ["Vane · Vane", "C. Vane · D. Vane"])


class RoomTest(SetUpCase):
    def room(self) -> Room:
        return Room.objects.get(
            pk=self.asked("post", f"courses/{self.course.pk}/rooms", name="Attic", rows=2, columns=3)["id"]
        )

    def drawn(self, room: Room, **changes: Any) -> dict[str, Any]:
        benches = [{"number": b.number, "row": b.row, "column": b.column} for b in room.benches.all()]
        return {"name": room.name, "columns": room.columns, "benches": benches, **changes}

    def test_a_room_is_drawn_as_a_grid_and_then_as_it_is(self):
        room = self.room()
        self.assertEqual(room.benches.count(), 6)
        moved = [{"number": 7, "row": 0, "column": 0, "name": "window"}, {"number": 2, "row": 3, "column": 1}]
        self.asked("put", f"rooms/{room.pk}", **self.drawn(room, benches=moved))
        self.assertEqual(list(room.benches.order_by("number").values_list("number", "name")), [(2, ""), (7, "window")])

    def test_what_cannot_be_drawn_is_refused(self):
        room = self.room()
        self.refused("post", f"courses/{self.course.pk}/rooms", "1 to 20 rows", name="Hall", rows=0, columns=3)
        self.refused("post", f"courses/{self.course.pk}/rooms", "already", name="attic", rows=1, columns=1)
        one = {"number": 1, "row": 0, "column": 0}
        for benches, said in (
            ([], "one bench at least"),
            ([one, {**one, "number": 2}], "in one place"),
            ([one, {**one, "column": 1}], "have the number 1"),
            ([{**one, "number": 1000}], "numbered 1 to 999"),
        ):
            self.refused("put", f"rooms/{room.pk}", said, **self.drawn(room, benches=benches))
        self.assertEqual(room.benches.count(), 6)

    def test_a_bench_that_somebody_sits_at_in_a_session_to_come_stays(self):
        room = self.session.room
        rest = [b for b in self.drawn(room)["benches"] if b["number"] != 2]
        self.refused("put", f"rooms/{room.pk}", "Bench 2 has a pair", **self.drawn(room, benches=rest))

    def test_one_nobody_worked_in_goes_and_another_is_archived(self):
        self.asked("delete", f"rooms/{self.room().pk}")
        self.assertFalse(Room.objects.filter(name="Attic").exists())
        room = self.session.room
        self.refused("delete", f"rooms/{room.pk}", "has sessions to come")
        Session.objects.filter(room=room).update(
            starts_at=clock.now() - timedelta(days=9), ends_at=clock.now() - timedelta(days=8)
        )
        self.asked("delete", f"rooms/{room.pk}")
        room.refresh_from_db()
        self.assertIsNotNone(room.archived_at)
        self.refused(
            "post", f"sections/{self.section.pk}/sessions", "is no room of this course any more", room=room.pk,
            first="2031-05-05", begins="10:00", ends="12:00",
        )  # fmt: skip


class SessionTest(SetUpCase):
    def control(self, act: str, status: int = 200) -> Any:
        return self.asked("post", f"sessions/{self.session.pk}/control", status, act=act)

    def test_each_act_is_possible_in_its_own_time_only(self):
        for act, said in (("resume", "is not paused"), ("start", "is running already")):
            self.assertIn(said, self.control(act, 422))
        self.control("pause")
        self.assertIn("is paused already", self.control("pause", 422))
        self.control("resume")
        self.control("end")
        for act, said in (("end", "is not running"), ("pause", "Only a session that is running")):
            self.assertIn(said, self.control(act, 422))
        length = self.session.ends_at - self.session.starts_at
        self.control("start")
        self.session.refresh_from_db()
        self.assertTrue(self.session.is_running(clock.now()))
        self.assertLessEqual(self.session.ends_at - clock.now(), length)

    def test_one_in_which_kits_went_out_stays_and_an_empty_one_goes(self):
        self.refused("delete", f"sessions/{self.session.pk}", "Kits went out in this session")
        self.asked(
            "post",
            f"sections/{self.section.pk}/sessions",
            room=self.session.room_id,
            first="2031-05-05",
            begins="10:00",
            ends="12:00",
        )
        made = Session.objects.latest("pk")
        self.asked("delete", f"sessions/{made.pk}")
        self.assertFalse(Session.objects.filter(pk=made.pk).exists())

    def test_two_at_one_time_clash_by_section_and_by_room(self):
        plan: dict[str, Any] = {"room": self.session.room_id, "first": "2031-05-05", "begins": "10:00", "ends": "12:00"}
        self.asked("post", f"sections/{self.section.pk}/sessions", **plan)
        self.refused("post", f"sections/{self.section.pk}/sessions", "has a session at that time already", **plan)
        other = self.asked("post", f"courses/{self.course.pk}/sections", name="Friday")["id"]
        self.refused("post", f"sections/{other}/sessions", "is taken at that time", **plan)
        self.asked("post", f"sections/{other}/sessions", **{**plan, "begins": "12:00", "ends": "14:00"})
        self.refused("post", f"sections/{other}/sessions", "ends before it begins", **{**plan, "ends": "09:00"})


class KitsTest(SetUpCase):
    def test_kits_are_made_with_the_next_free_numbers_and_removed_while_unused(self):
        lid = Exercise.objects.get(slug="lid-open-watch")
        self.asked("post", f"exercises/{lid.pk}/kits", prefix="lw-", count=2)
        self.asked("post", f"exercises/{lid.pk}/kits", prefix="LW", count=1)
        made = list(Kit.objects.filter(tag__startswith="LW-").order_by("tag"))
        self.assertEqual(len({kit.tag for kit in made}), len(made))
        self.assertTrue(all(kit.parts.count() == len(lid.versions.last().file.recipe) for kit in made[-3:]))
        self.asked("delete", f"kits/{made[-1].pk}")
        self.refused("delete", f"kits/{Kit.objects.get(tag='HB-02').pk}", "")
        self.assertTrue(Kit.objects.filter(tag="HB-02").exists())

    def test_a_prefix_and_a_count_that_cannot_be(self):
        lid = Exercise.objects.get(slug="lid-open-watch")
        self.refused("post", f"exercises/{lid.pk}/kits", "letter first", prefix="9A", count=1)
        self.refused("post", f"exercises/{lid.pk}/kits", "1 to 60 kits", prefix="LW", count=0)


class ShippedTest(SetUpCase):
    def test_an_exercise_that_is_shipped_is_taken_once_into_a_course(self):
        course = self.asked("post", "courses", title="New", zone="Europe/Dublin", sections=[])["id"]
        listed = self.asked("get", f"courses/{course}/samples")
        slug = listed[0]["slug"]
        self.asked("post", f"courses/{course}/samples", slug=slug)
        self.assertTrue(Exercise.objects.filter(course=course, slug=slug).exists())
        again = self.instructor.post(
            f"/api/set-up/courses/{course}/samples", {"slug": slug}, content_type="application/json"
        )
        self.assertEqual(again.status_code, 422)
        self.refused("post", f"courses/{course}/samples", "", slug="no-such-thing")
