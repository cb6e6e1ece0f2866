"""Sessions: planned week by week, several exercises at once, seats, absences, and what is done on the day."""

import io
from datetime import UTC, date, datetime, timedelta
from zoneinfo import ZoneInfo

from pypdf import PdfReader

from tests.site.base import DemoCase
from verifex.acts import clock
from verifex.acts.models import Event
from verifex.exercises.models import Exercise
from verifex.people.models import Course, Pair, PairMember, User
from verifex.plan.models import Session
from verifex.plan.services.sessions import days
from verifex.stores.models import Kit
from verifex.work import queue


class PlanTest(DemoCase):
    def setUp(self):
        super().setUp()
        self.section = self.session.section
        self.heat = Exercise.objects.get(slug="brood-box-heat-watch")
        self.lid = Exercise.objects.get(slug="lid-open-watch")

    def plan(self, **other):
        body = {
            "room": self.session.room_id,
            "first": "2031-03-03",
            "begins": "10:00",
            "ends": "12:00",
            "exercises": [],
        }
        return self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/sessions", **{**body, **other})

    def draw_benches(self, count: int = 14):
        benches = [{"number": n, "row": n // 5, "column": n % 5, "name": ""} for n in range(1, count + 1)]
        room = self.session.room
        return self.instructor.put(
            f"/api/set-up/rooms/{room.pk}",
            {"name": room.name, "columns": 5, "benches": benches},
            content_type="application/json",
        )

    def test_a_weekly_row_leaves_the_holidays_out_and_keeps_the_local_time(self):
        course = self.section.course
        course.holidays, course.zone = ["2031-03-17"], "Europe/Dublin"
        course.save()
        said = self.plan(until="2031-04-07").json()["message"]
        self.assertEqual(said, "5 sessions are planned; 1 holidays left out.")
        starts = [s.starts_at.strftime("%d %H:%M") for s in Session.objects.filter(starts_at__year=2031)]
        self.assertEqual(
            starts, ["03 10:00", "10 10:00", "24 10:00", "31 09:00", "07 09:00"], "summer time begins on 30 March"
        )
        self.assertEqual(len({s.code for s in Session.objects.filter(starts_at__year=2031)}), 5)

    def test_what_cannot_be_planned_is_refused_whole(self):
        self.plan()
        table = [
            ({"begins": "12:00", "ends": "10:00"}, "ends before it begins"),
            ({"until": "2030-01-01"}, "before the first one"),
            ({"first": "2031-02-24", "until": "2031-03-24"}, "a session at that time already, on 03 Mar 2031"),
            ({"first": "2031-05-01", "until": "2040-05-01"}, "at most 60 sessions"),
        ]
        for other, said in table:
            answer = self.plan(**other)
            self.assertEqual(answer.status_code, 422, other)
            self.assertIn(said, answer.json()["message"])
        self.assertEqual(Session.objects.filter(starts_at__year=2031).count(), 1)

    def test_days_are_a_week_apart(self):
        wanted, left_out = days(date(2031, 3, 3), date(2031, 3, 24), {"2031-03-10"})
        self.assertEqual([d.day for d in wanted], [3, 17, 24])
        self.assertEqual([d.day for d in left_out], [10])

    def test_seats_are_kept_from_last_time_and_a_taken_bench_is_changed(self):
        self.draw_benches()
        self.plan()
        session = Session.objects.get(starts_at__year=2031)
        before = dict(self.session.seats.values_list("pair", "bench"))
        self.assertEqual(dict(session.seats.values_list("pair", "bench")), before)
        one, two = (session.seats.get(bench=bench).pair_id for bench in (1, 2))
        path = f"/api/set-up/sessions/{session.pk}/seats"
        self.instructor.ask(path, benches={one: 2})
        self.assertEqual((session.seats.get(bench=2).pair_id, session.seats.get(bench=1).pair_id), (one, two))
        self.assertIn("no bench 77", self.instructor.ask(path, benches={one: 77}).json()["message"])
        self.assertEqual(self.assistant.ask(path, benches={one: 13}).status_code, 200)

    def test_pairs_made_after_the_sessions_were_planned_are_seated_in_all_to_come(self):
        self.draw_benches()
        self.plan(until="2031-03-17", exercises=[self.lid.pk])
        for name in ("Mira Kessler", "Max Duarte"):
            self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/students", name=name)
        users = [s.user_id for s in self.section.students.filter(user__last_name__in=["Kessler", "Duarte"])]
        users = [u for u in users if not PairMember.objects.filter(user=u).exists()]
        self.instructor.ask(f"/api/set-up/sections/{self.section.pk}/pairs", groups=[users])
        pair = Pair.objects.get(members__user=users[0])
        planned = Session.objects.filter(starts_at__year=2031)
        self.assertEqual(planned.filter(seats__pair=pair, seats__bench=13).count(), 3)
        self.assertEqual(planned.filter(assignments__pair=pair, assignments__exercise=self.lid).count(), 3)
        self.assertFalse(self.session.seats.filter(pair=pair).exists(), "one that runs is for the staff on the spot")
        self.instructor.delete(f"/api/set-up/pairs/{pair.pk}")
        self.assertEqual(planned.filter(seats__pair=pair).count(), 0)

    def test_seats_changed_in_one_session_are_those_of_the_next_ones_too(self):
        self.draw_benches()
        self.plan(until="2031-03-17")
        first, second, third = Session.objects.filter(starts_at__year=2031)
        one, two = (first.seats.get(bench=bench).pair_id for bench in (1, 2))
        self.instructor.ask(f"/api/set-up/sessions/{third.pk}/seats", benches={one: 14})
        self.instructor.ask(f"/api/set-up/sessions/{first.pk}/seats", benches={one: 2})
        self.assertEqual([second.seats.get(pair=pair).bench for pair in (one, two)], [2, 1])
        self.assertEqual(third.seats.get(pair=one).bench, 14, "what was arranged for a day stays")

    def test_a_bench_where_somebody_will_sit_is_not_taken_out_of_the_room(self):
        self.draw_benches()
        self.plan()
        answer = self.draw_benches(5)
        self.assertEqual(answer.status_code, 422)
        self.assertIn("has a pair in a session to come", answer.json()["message"])

    def test_a_kit_goes_to_the_pair_that_does_its_exercise(self):
        self.instructor.ask(f"/api/set-up/exercises/{self.lid.pk}/kits", prefix="LW", count=2)
        self.plan(exercises=[self.heat.pk, self.lid.pk])
        session = Session.objects.get(starts_at__year=2031)
        one, two = Pair.objects.filter(section=self.section).order_by("badge")[:2]
        self.instructor.ask(f"/api/set-up/sessions/{session.pk}/assign", exercises={one.pk: self.lid.pk})

        def hand_out(tag: str, pair: Pair):
            return self.assistant.ask("/api/hatch/hand-out", session=session.pk, tag=tag, badge=pair.badge)

        self.assertIn("does Lid-open watch in this session", hand_out("HB-15", one).json()["message"])
        self.assertEqual(hand_out("LW-01", one).status_code, 200)
        self.assertEqual(hand_out("HB-15", two).status_code, 200, "the kit decides where nothing is assigned")
        other = Kit.objects.create(tag="ZZ-01", exercise=Exercise.objects.get(slug="feeder-level"))
        self.assertIn("this session has", hand_out(other.tag, Pair.objects.order_by("badge")[3]).json()["message"])
        floor = self.instructor.ask(f"/api/sessions/{session.pk}/floor").json()
        self.assertEqual(floor["exercises"], 2)
        self.assertEqual(
            [b["exercise"] for b in floor["benches"] if b["pair"] in (one.name, two.name)],
            ["Lid-open watch", "Brood-box heat watch"],
        )

    def test_an_exercise_somebody_works_on_stays_in_the_session(self):
        local = self.session.starts_at
        body = {
            "room": self.session.room_id, "day": local.date().isoformat(), "begins": "00:00", "ends": "23:59",
            "exercises": [self.lid.pk], "staff": [],
        }  # fmt: skip
        answer = self.instructor.put(f"/api/set-up/sessions/{self.session.pk}", body, content_type="application/json")
        self.assertIn("it stays", answer.json()["message"])


class OnTheDayTest(DemoCase):
    def control(self, act: str):
        return self.instructor.ask(f"/api/set-up/sessions/{self.session.pk}/control", act=act)

    def test_while_it_is_paused_nobody_is_cleared_and_the_end_moves(self):
        ends = self.session.ends_at
        self.assertEqual(self.control("pause").json()["state"], "paused")
        docket = self.docket(9)  # handed its wiring in
        answer = self.instructor.ask(f"/api/dockets/{docket.pk}/clear", wiring_attempt=1, compared=True)
        self.assertIn("The session is paused", answer.json()["message"])
        later = clock.now() + timedelta(minutes=12)
        with clock.acting_at(later):
            self.assertEqual(self.control("resume").json()["state"], "running")
        moved = (Session.objects.get(pk=self.session.pk).ends_at - ends).total_seconds() / 60
        self.assertAlmostEqual(moved, 12, delta=0.2)
        self.assertIn("not paused", self.control("resume").json()["message"])

    def test_hand_ins_end_as_late_as_the_session_says(self):
        Session.objects.filter(pk=self.session.pk).update(late_minutes=10)
        self.control("end")
        text = self.last(2, "wiring").text
        self.assertEqual(self.hand_in(2, "wiring", text + "\n# again\n", token="just").status_code, 200)
        with clock.acting_at(clock.now() + timedelta(minutes=11)):
            late = self.hand_in(2, "wiring", text + "\n# and again\n", token="late")
            self.assertIn("late hand-ins has passed", late.json()["message"])

    def test_who_is_absent_gets_no_marks_and_the_partner_does(self):
        away, here = self.docket(7).pair.members.order_by("id")
        path = f"/api/set-up/sessions/{self.session.pk}/absent"
        self.assistant.ask(path, user=away.user_id, absent=True)
        self.instructor.ask(f"/api/dockets/{self.docket(7).pk}/close-marking", station="mark", reason="")
        mark = self.docket(7).closed_marks.get()
        totals = {s["id"]: (s["total"], s["reason"]) for s in mark.students}
        self.assertEqual(totals[away.user_id], ("", "absent from the session"))
        self.assertTrue(totals[here.user_id][0])

    def test_who_is_left_alone_joins_another_pair_for_the_session(self):
        away, here = self.docket(2).pair.members.order_by("id")
        path = f"/api/set-up/sessions/{self.session.pk}"
        self.assistant.ask(f"{path}/absent", user=away.user_id, absent=True)
        host = self.docket(6)
        plan = self.assistant.ask(f"{path}/join", user=here.user_id, pair=host.pair_id).json()
        guests = {place["pair"]: [g["user"] for g in place["guests"]] for place in plan["places"]}
        self.assertEqual(guests[host.pair_id], [here.user_id])
        student = self.speaker(here.user.username)
        self.assertEqual(student.ask(f"/api/my/dockets/{host.pk}").status_code, 200)
        self.assertIn(
            here.user_id, [row["id"] for row in self.instructor.ask(f"/api/dockets/{host.pk}").json()["members"]]
        )
        with clock.acting_at(self.session.ends_at + timedelta(minutes=1)):
            self.assertNotEqual(student.ask(f"/api/my/dockets/{host.pk}").status_code, 200)
        again = self.assistant.ask(f"{path}/join", user=here.user_id, pair=host.pair_id)
        self.assertIn("already", again.json()["message"])

    def test_the_papers_of_a_session_are_made_from_its_plan(self):
        Course.objects.filter(sections=self.session.section).update(zone="Asia/Tokyo")
        made = self.instructor.ask(f"/api/set-up/sessions/{self.session.pk}/papers", slips=False).json()
        queue.work_through()
        done = self.instructor.ask(f"/api/work/{made['id']}").json()
        self.assertEqual((done["state"], done["done"]), ("done", 14), "the plan, twelve predictions, one answer key")
        pages = PdfReader(io.BytesIO(self.instructor.get(f"/api/work/{made['id']}/file").content)).pages
        first, second, last = (pages[n].extract_text() for n in (0, 1, -1))
        self.assertIn("Castell", first)
        local = self.session.starts_at.astimezone(ZoneInfo("Asia/Tokyo"))
        self.assertIn(f"{local:%H:%M} to", first, "in the course's own time")
        self.assertIn("To pick: Brood-box heat watch, 12 pairs", first)
        self.assertIn("Prediction", second)
        self.assertNotIn("Should print", second)
        self.assertIn("Should print", last)

    def test_papers_with_first_passwords_are_fetched_once(self):
        made = self.instructor.ask(f"/api/set-up/sessions/{self.session.pk}/papers", slips=True).json()
        queue.work_through()
        path = f"/api/work/{made['id']}/file"
        pages = PdfReader(io.BytesIO(self.instructor.get(path).content)).pages
        self.assertIn("First password", pages[1].extract_text())
        self.assertIn("fetched already", self.instructor.get(path).json()["message"])
        self.assertTrue(User.objects.get(username="leo.castell").must_change_password)

    def test_nothing_goes_out_in_a_closed_course(self):
        course = self.session.section.course_id
        self.instructor.ask(f"/api/set-up/courses/{course}/closed", closed=True)
        answer = self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag="HB-15", badge="P-02")
        self.assertIn("This course is closed", answer.json()["message"])

    def test_a_student_moved_in_mid_term_keeps_the_past(self):
        docket = self.docket(10)
        mover = docket.pair.members.earliest("id").user
        with clock.acting_at(docket.session.ends_at + timedelta(days=7)):
            PairMember.objects.filter(user=mover).update(until=clock.now())
            rows = self.instructor.ask(f"/api/dockets/{docket.pk}").json()["members"]
        self.assertIn(mover.get_full_name(), [row["name"] for row in rows])

    def test_an_unfinished_docket_goes_on_in_a_later_session(self):
        docket = self.docket(9)
        later = Session.objects.create(
            section=self.session.section, room=self.session.room,
            starts_at=self.session.starts_at + timedelta(days=7), ends_at=self.session.ends_at + timedelta(days=7),
        )  # fmt: skip
        path = f"/api/dockets/{docket.pk}/carry-over"
        self.assertIn("still has a kit", self.instructor.ask(path, session=later.pk).json()["message"])
        self.assistant.ask("/api/hatch/take-back", tag="HB-09", faults=[])
        self.assertEqual(self.instructor.ask(path, session=later.pk).status_code, 200)
        docket.refresh_from_db()
        self.assertEqual((docket.session, docket.attempts.count()), (later, 1))
        done = self.docket(10)
        self.assertIn(
            "closed", self.instructor.ask(f"/api/dockets/{done.pk}/carry-over", session=later.pk).json()["message"]
        )

    def test_the_code_on_the_wall_says_which_session_and_no_name(self):
        Session.objects.filter(pk=self.session.pk).update(code="K7MPX")
        answer = self.client.get("/api/join/k7mpx").json()
        self.assertEqual(answer["room"], self.session.room.name)
        picture = self.client.get("/api/join/K7MPX/qr.svg")
        self.assertEqual(picture["Content-Type"], "image/svg+xml")
        self.assertEqual(self.client.get("/api/join/XXXXX").status_code, 422)

    def test_the_event_log_is_found_by_a_word_and_saved_as_a_table(self):
        course = self.session.section.course_id
        found = self.instructor.ask(f"/api/set-up/courses/{course}/events?word=HB-05").json()["events"]
        self.assertIn("HB-05", {event["about"] for event in found})
        User.objects.filter(username="ines.marlow").update(first_name="=cmd", last_name="x")
        table = self.instructor.get(f"/api/set-up/courses/{course}/events.csv").content.decode()
        self.assertIn("'=cmd x", table)

    def test_the_event_log_of_some_days_is_by_the_clock_of_the_course(self):
        course = self.session.section.course
        Course.objects.filter(pk=course.pk).update(zone="Pacific/Auckland")
        late = Event.objects.create(
            at=datetime(2026, 3, 1, 12, 30, tzinfo=UTC), verb="tested", subject=f"course:{course.pk}"
        )
        base = f"/api/set-up/courses/{course.pk}/events"

        def on(first: str, last: str) -> list[int]:
            found = self.instructor.ask(f"{base}?word=tested&first={first}&last={last}").json()
            return [event["id"] for event in found["events"]]

        self.assertEqual(on("2026-03-02", "2026-03-02"), [late.pk])
        self.assertEqual(on("2026-03-01", "2026-03-01"), [])
        self.assertEqual(on("0001-01-01", "9999-12-31"), [late.pk])
        self.assertNotIn("tested", self.instructor.get(f"{base}.csv?last=2026-03-01").content.decode())
        self.assertEqual(self.instructor.get(f"{base}?first=monday").status_code, 422)
