"""Loads the demo course from the open files in `demo/`, acting through the same services as everyone."""

import secrets
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any

import yaml
from django.contrib.auth.hashers import make_password
from django.db import transaction

from verifex.core.quantity import parse_quantity
from verifex.demo.large import several_times
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.services import add_version, release
from verifex.marks.services import close_marking, give_mark
from verifex.acts.clock import acting_at, now
from verifex.people.models import Course, Pair, PairMember, Section, Staff, Student, User
from verifex.plan.models import Bench, Room, Seat, Session
from verifex.plan.services.sessions import free_code
from verifex.stores.models import Kit, KitIssue, KitPart, StockResistor
from verifex.work.pool import checks_run_here


@dataclass
class Loaded:
    """What was loaded; `log_ins` is (role, user name, password)."""

    session: Session
    log_ins: list[tuple[str, str, str]] = field(default_factory=list)


@transaction.atomic
def load(folder: Path, password: str | None = None, *, times: int = 1) -> Loaded:
    """Load the course in `folder`, its pairs and kits so many `times` over with other names. Everyone gets `password`, or
    one made up now."""
    course = several_times(yaml.safe_load((folder / "course.yaml").read_text("utf-8")), times)
    with checks_run_here():
        return _Loader(folder, course, password or secrets.token_urlsafe(9)).load()


class _Loader:
    def __init__(self, folder: Path, course: dict[str, Any], password: str) -> None:
        self.folder, self.data, self.password = folder, course, password
        self.hashed = make_password(password)  # slow on purpose, so once for all
        self.now = now()
        self.pairs: dict[int, Pair] = {}
        self.staff: dict[str, User] = {}

    def load(self) -> Loaded:
        self.course = Course.objects.create(title=self.data["course"], zone=self.data["zone"])
        self.section = Section.objects.create(course=self.course, name=self.data["section"])
        log_ins = []
        for entry in self.data["staff"]:
            user = self._user(entry["name"], entry["log-in"])
            Staff.objects.create(section=self.section, user=user, role=entry["role"])
            self.staff[entry["role"]] = user
            log_ins.append((entry["role"], user.username, self.password))
        self.version = self._exercise()
        self._session()
        self._kits()
        for entry in self.data["pairs"]:
            self._pair(entry)
        acts = sorted(
            ((act, entry) for entry in self.data["pairs"] for act in entry.get("acts", [])),
            key=lambda pair: -pair[0]["ago"],
        )
        for act, entry in acts:
            with acting_at(self.now - timedelta(minutes=act["ago"])):
                self._act(self.pairs[entry["bench"]], act)
        shown = next(entry for entry in self.data["pairs"] if entry.get("shown"))
        log_ins.append(("pair", _log_in(shown["students"][0]), self.password))
        return Loaded(self.session, log_ins)

    def _user(self, name: str, log_in: str) -> User:
        first, last = name.rsplit(" ", 1)
        return User.objects.create(username=log_in, password=self.hashed, first_name=first, last_name=last)

    def _exercise(self) -> ExerciseVersion:
        """Every exercise of the course, released; the session's own one is returned."""
        versions = {folder.name: self._released(folder) for folder in sorted((self.folder / "exercises").iterdir())}
        return versions[self.data["exercise"]]

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

    def _session(self) -> None:
        columns = self.data["room"]["columns"]
        room = Room.objects.create(course=self.course, name=self.data["room"]["name"], columns=columns)
        benches = max(entry["bench"] for entry in self.data["pairs"])
        Bench.objects.bulk_create(
            Bench(room=room, number=n + 1, row=n // columns, column=n % columns) for n in range(-(-benches // columns) * columns)
        )
        begun: datetime = self.now - timedelta(minutes=self.data["session"]["begun-minutes-ago"])
        ends = self.now + timedelta(minutes=self.data["session"]["minutes-left"])
        self.session = Session.objects.create(section=self.section, room=room, starts_at=begun, ends_at=ends, code=free_code())
        self.session.staff.set(self.staff.values())
        self.session.planned.create(exercise=self.version.exercise)

    def _kits(self) -> None:
        file = self.version.file
        for entry in self.data["kits"]:
            kit = Kit.objects.create(
                tag=entry["tag"],
                exercise=self.version.exercise,
                in_repair="repair" in entry,
                repair_note=entry.get("repair", ""),
                leg_orders=entry.get("leg-orders", {}),
            )
            for part in file.recipe:
                KitPart.objects.create(
                    kit=kit,
                    ref=part.ref,
                    part=part.part,
                    title=part.title or part.part,
                    present=part.ref not in entry.get("lacks", []),
                )

        for row in self.data["drawers"]:
            StockResistor.objects.create(
                ohms=parse_quantity(str(row["value"]), "ohm"), count=row["count"], drawer=row["drawer"],
                rated_watts=row.get("watts", 0.25),
            )  # fmt: skip

    def _pair(self, entry: dict[str, Any]) -> None:
        names = [student.rsplit(" ", 1)[1] for student in entry["students"]]
        pair = Pair.objects.create(section=self.section, name=" · ".join(names), badge=entry["badge"])
        for student in entry["students"]:
            user, since = self._user(student, _log_in(student)), self.now - timedelta(days=40)
            Student.objects.create(section=self.section, user=user, since=since)
            PairMember.objects.create(pair=pair, user=user, since=since)
        Seat.objects.create(session=self.session, pair=pair, bench=entry["bench"])
        self.pairs[entry["bench"]] = pair

    def _act(self, pair: Pair, act: dict[str, Any]) -> None:
        """One act of the day; the key beside `ago` names it."""
        member = pair.members.select_related("user").earliest("id").user
        instructor, assistant = self.staff["instructor"], self.staff["assistant"]
        what = next(key for key in act if key not in ("ago", "reason", "note", "overrule"))
        value = act[what]
        if what == "hand-out":
            services.open_docket(assistant, Kit.objects.get(tag=value), pair, self.session, self.version)
            return
        docket = Docket.objects.get(pair=pair, session=self.session)
        match what:
            case "substitute":
                tag = KitIssue.objects.get(pair=pair, returned_at__isnull=True).kit.tag
                services.substitute(assistant, tag, value["ref"], value["ohms"], act["reason"])
            case "wiring" | "program" | "readings":
                text = (self.folder / "hand-ins" / value).read_text("utf-8")
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
                close_marking(instructor, docket.pk, based_on=None)
            case _:
                raise ValueError(f"the demo names an act that nobody knows: {what}")


def _log_in(name: str) -> str:
    first, last = name.rsplit(" ", 1)
    return f"{first}.{last}".lower().replace(" ", ".")
