"""Loads the demo course from the open files in `demo/`, acting through the same services as everyone."""

import secrets
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any

import yaml
from django.contrib.auth.hashers import make_password
from django.db import transaction

from verifex.demo.large import several_times, spread
from verifex.demo.stores import fill_stores
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.services import add_version, release
from verifex.marks.services import close_marking, give_mark
from verifex.acts.clock import acting_at, now
from verifex.people.models import Course, Pair, PairMember, Section, Staff, Student, User
from verifex.plan.models import Bench, Room, Seat, Session
from verifex.plan.services.sessions import free_code
from verifex.stores.models import Kit, KitIssue, KitPart
from verifex.work.pool import checks_run_here


@dataclass
class Loaded:
    """What was loaded; `log_ins` is (role, user name, password)."""

    session: Session
    log_ins: list[tuple[str, str, str]] = field(default_factory=list)


@transaction.atomic
def load(folder: Path, password: str | None = None, *, times: int = 1, spreads: bool = False) -> Loaded:
    """Load the course in `folder`, its pairs and kits so many `times` over with other names; one that `spreads` has two
    sections with four exercises at once. Everyone gets `password`, or one made up now."""
    course, stores = (yaml.safe_load((folder / f"{name}.yaml").read_text("utf-8")) for name in ("course", "stores"))
    course = several_times(course, times)
    return load_course(folder, spread(course) if spreads else course, stores, password)


def load_course(folder: Path, course: dict[str, Any], stores: dict[str, Any], password: str | None = None) -> Loaded:
    """Load a course and its stores as they are written in the files of `folder`; exercises and hand-ins are read from there."""
    with checks_run_here():
        return _Loader(folder, course, stores, password or secrets.token_urlsafe(9)).load()


class _Loader:
    def __init__(self, folder: Path, course: dict[str, Any], stores: dict[str, Any], password: str) -> None:
        self.folder, self.data, self.stores, self.password = folder, course, stores, password
        self.hashed = make_password(password)  # slow on purpose, so once for all
        self.now = now()
        self.pairs: dict[tuple[int, int], Pair] = {}  # by section and bench
        self.sections: list[Section] = []
        self.sessions: list[Session] = []
        self.staff: dict[str, User] = {}

    def load(self) -> Loaded:
        self.course = Course.objects.create(title=self.data["course"], zone=self.data["zone"])
        rooms = [self.data, *self.data.get("more-sections", [])]
        for entry in ({"name": self.data["section"]}, *rooms[1:]):
            self.sections.append(Section.objects.create(course=self.course, name=entry["name"]))
        log_ins = []
        for entry in self.data["staff"]:
            user = self._user(entry["name"], entry["log-in"])
            for section in self.sections:
                Staff.objects.create(section=section, user=user, role=entry["role"])
            self.staff[entry["role"]] = user
            log_ins.append((entry["role"], user.username, self.password))
        self.version = self._exercise()
        for section, data in zip(self.sections, rooms, strict=True):
            self.sessions.append(self._session(section, data["room"]))
        self._kits()
        self._coming()
        for entry in self.data["pairs"]:
            self._pair(entry)
        acts = sorted(
            ((act, entry) for entry in self.data["pairs"] for act in entry.get("acts", [])),
            key=lambda pair: -pair[0]["ago"],
        )
        for act, entry in acts:
            with acting_at(self.now - timedelta(minutes=act["ago"])):
                self._act(self.pairs[(entry.get("section", 0), entry["bench"])], act)
        shown = next(entry for entry in self.data["pairs"] if entry.get("shown"))
        log_ins.append(("pair", _log_in(shown["students"][0]), self.password))
        return Loaded(self.sessions[0], log_ins)

    def _user(self, name: str, log_in: str) -> User:
        first, last = name.rsplit(" ", 1)
        return User.objects.create(
            username=log_in,
            password=self.hashed,
            first_name=first,
            last_name=last,
            made_in=self.course,
            made_by=self.staff.get("instructor"),
        )

    def _exercise(self) -> ExerciseVersion:
        """Every exercise of the course, released; the session's own one is returned."""
        folders = sorted((self.folder / "exercises").iterdir())
        self.versions = {folder.name: self._released(folder) for folder in folders}
        return self.versions[self.data["exercise"]]

    def _released(self, folder: Path) -> ExerciseVersion:
        program = folder / "reference.cpp"
        version = add_version(
            self.staff["instructor"],
            self.course,
            (folder / "exercise.yaml").read_text("utf-8"),
            program=program.read_text("utf-8") if program.exists() else "",
        )
        release(self.staff["instructor"], version)
        return version

    def _session(self, section: Section, of_room: dict[str, Any]) -> Session:
        columns = of_room["columns"]
        room = Room.objects.create(course=self.course, name=of_room["name"], columns=columns)
        benches = max(entry["bench"] for entry in self.data["pairs"])
        Bench.objects.bulk_create(
            Bench(room=room, number=n + 1, row=n // columns, column=n % columns)
            for n in range(-(-benches // columns) * columns)
        )
        begun: datetime = self.now - timedelta(minutes=self.data["session"]["begun-minutes-ago"])
        ends = self.now + timedelta(minutes=self.data["session"]["minutes-left"])
        session = Session.objects.create(section=section, room=room, starts_at=begun, ends_at=ends, code=free_code())
        session.staff.set(self.staff.values())
        for slug in (self.data["exercise"], *self.data.get("beside", [])):
            session.planned.create(exercise=self.versions[slug].exercise)
        return session

    def _coming(self) -> None:
        """Sessions to come: nothing is handed out in them yet."""
        first = self.sessions[0]
        for entry in self.stores["coming"]:
            starts = self.now.replace(hour=9, minute=0, second=0, microsecond=0) + timedelta(days=entry["in_days"])
            ends = starts + timedelta(minutes=entry["minutes"])
            session = Session.objects.create(
                section=first.section, room=first.room, starts_at=starts, ends_at=ends, code=free_code()
            )
            session.staff.set(self.staff.values())
            for slug in entry["exercises"]:
                session.planned.create(exercise=self.versions[slug].exercise)

    def _kits(self) -> None:
        for entry in self.data["kits"]:
            version = self.versions[entry.get("exercise", self.data["exercise"])]
            kit = Kit.objects.create(
                tag=entry["tag"],
                exercise=version.exercise,
                leg_orders=entry.get("leg-orders", {}),
            )
            for part in version.file.recipe:
                KitPart.objects.create(
                    kit=kit,
                    ref=part.ref,
                    part=part.part,
                    title=part.title or part.part,
                    settings=dict(part.settings),
                    present=part.ref not in entry.get("lacks", []),
                )
        fill_stores(self.stores, self.versions, self.staff["assistant"], self.now)

    def _pair(self, entry: dict[str, Any]) -> None:
        names = [student.rsplit(" ", 1)[1] for student in entry["students"]]
        section, session = self.sections[entry.get("section", 0)], self.sessions[entry.get("section", 0)]
        pair = Pair.objects.create(section=section, name=" · ".join(names), badge=entry["badge"])
        for student in entry["students"]:
            user, since = self._user(student, _log_in(student)), self.now - timedelta(days=40)
            Student.objects.create(section=section, user=user, since=since)
            PairMember.objects.create(pair=pair, user=user, since=since)
        Seat.objects.create(session=session, pair=pair, bench=entry["bench"])
        session.assignments.create(pair=pair, exercise=self._version_of(entry).exercise)
        self.pairs[(entry.get("section", 0), entry["bench"])] = pair

    def _version_of(self, entry: dict[str, Any]) -> ExerciseVersion:
        return self.versions[entry.get("exercise", self.data["exercise"])]

    def _text(self, docket: Docket, kind: str, value: str) -> str:
        """A hand-in of the demo by its file, or the instructor's own."""
        if value != "reference":
            return (self.folder / "hand-ins" / value).read_text("utf-8")
        return docket.version.reference_wiring if kind == "wiring" else docket.version.reference_program

    def _act(self, pair: Pair, act: dict[str, Any]) -> None:
        """One act of the day; the key beside `ago` names it."""
        member = pair.members.select_related("user").earliest("id").user
        instructor, assistant = self.staff["instructor"], self.staff["assistant"]
        what = next(key for key in act if key not in ("ago", "reason", "note", "overrule"))
        value = act[what]
        if what == "hand-out":
            kit = Kit.objects.get(tag=value)
            session = self.sessions[self.sections.index(pair.section)]
            services.open_docket(assistant, kit, pair, session, self.versions[kit.exercise.slug])
            return
        docket = Docket.objects.get(pair=pair)
        match what:
            case "substitute":
                tag = KitIssue.objects.get(pair=pair, returned_at__isnull=True).kit.tag
                services.substitute(assistant, tag, value["ref"], value["ohms"], act["reason"])
            case "wiring" | "program" | "readings":
                text = self._text(docket, what, value)
                last = docket.attempts.filter(kind=what).count()
                services.hand_in(member, docket.pk, what, text, token=f"demo-{what}-{last + 1}", based_on_attempt=last)
            case "ask":
                services.ask(member, docket.pk, value)
            case "clear":
                attempt = docket.attempts.filter(kind="wiring").count()
                services.clear_power(assistant, docket.pk, based_on=None, wiring_attempt=attempt, compared=True)
            case "pass":
                over = act.get("overrule", "")
                services.pass_station(instructor, docket.pk, value, based_on=None, overrule_reason=over)
            case "send-back":
                services.send_back(instructor, docket.pk, value, based_on=None, reason=act.get("note", ""))
            case "measure":
                services.measure(member, docket.pk, value["name"], value["value"], value.get("with", "bench meter"))
            case "give":
                give_mark(instructor, docket.pk, value["criterion"], value["marks"], act["reason"], based_on=None)
            case "close":
                close_marking(instructor, docket.pk, based_on=None, second_look=act.get("second-look", ""))
            case _:
                raise ValueError(f"the demo names an act that nobody knows: {what}")


def _log_in(name: str) -> str:
    first, last = name.rsplit(" ", 1)
    return f"{first}.{last}".lower().replace(" ", ".")
