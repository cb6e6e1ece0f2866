"""The zip of a course opened: small enough, whole, and every mistake in it found, each with its file, line and path."""

import io
import zipfile
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence

import yaml
from pydantic import ValidationError

from verifex.core.exercise import read_exercise
from verifex.core.problems import Problem, UnusableInput
from verifex.core.yaml_marks import Marks, Path, at_path, located, note_marks
from verifex.core.yaml_traps import trap_in
from verifex.set_up.course_file.shapes import FORMAT, CourseFile
from verifex.set_up.refusals import (
    ArchiveFileNotText,
    CourseFileTooLarge,
    CourseOfLaterVersion,
    CourseUnpacksTooLarge,
    NotACourseArchive,
    NotAZip,
)

MOST_BYTES, MOST_UNPACKED, MOST_FILES = 20 * 1024 * 1024, 100 * 1024 * 1024, 2000
MOST_TOLD = 40  # mistakes at once: more are of one kind
COURSE = "course.yaml"
Unpacked = tuple[CourseFile, dict[str, str]]
Mistakes = Iterator[tuple[Path, str]]


def unpack(data: bytes) -> Unpacked:
    """The course file and every file by name. Raises Refused for what is no such zip, UnusableInput with every mistake in it."""
    files = _files(data)
    if COURSE not in files:
        raise NotACourseArchive()
    text = files[COURSE]
    marks = _marks(text)
    try:
        course = CourseFile.model_validate(yaml.load(text, Loader=yaml.CSafeLoader))
    except ValidationError as wrong:
        raise UnusableInput([_named(located(dict(error), marks)) for error in wrong.errors()[:MOST_TOLD]]) from None
    if course.format > FORMAT:
        raise CourseOfLaterVersion()
    mistakes = _exercises(course, files, marks)
    mistakes += [_named(at_path(path, message, marks)) for path, message in _mistakes(course)]
    if mistakes:
        raise UnusableInput(mistakes[:MOST_TOLD])
    return course, files


def _named(problem: Problem) -> Problem:
    """A problem of course.yaml, among those of other files."""
    return Problem(problem.line, problem.column, f"{COURSE}, {problem.message}")


def _marks(text: str) -> Marks:
    """Where everything stands. Raises UnusableInput for what is no YAML, or a trap."""
    try:
        if trap := trap_in(text):
            raise UnusableInput([_named(trap)])
        root = yaml.compose(text, Loader=yaml.CSafeLoader)
    except yaml.MarkedYAMLError as wrong:
        mark = wrong.problem_mark
        line, column = (mark.line + 1, mark.column + 1) if mark else (1, 1)
        raise UnusableInput([Problem(line, column, f"{COURSE}: this is no YAML here: {wrong.problem}")]) from None
    except yaml.YAMLError:
        raise UnusableInput([Problem(1, 1, f"{COURSE} cannot be read")]) from None
    if not isinstance(root, yaml.MappingNode):
        raise UnusableInput([Problem(1, 1, f"{COURSE} is a list of 'name: value' lines; none was found")])
    marks: Marks = {}
    twice: list[Problem] = []
    note_marks(root, (), marks, twice)
    if twice:
        raise UnusableInput([_named(problem) for problem in twice])
    return marks


def _files(data: bytes) -> dict[str, str]:
    if len(data) > MOST_BYTES:
        raise CourseFileTooLarge()
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as book:
            entries = [entry for entry in book.infolist() if not entry.is_dir()]
            if len(entries) > MOST_FILES or sum(entry.file_size for entry in entries) > MOST_UNPACKED:
                raise CourseUnpacksTooLarge()
            return {entry.filename: book.read(entry).decode("utf-8", "surrogatepass") for entry in entries}
    except (zipfile.BadZipFile, RuntimeError, NotImplementedError, EOFError, OSError, ValueError, zipfile.LargeZipFile):
        raise NotAZip() from None
    except UnicodeDecodeError:
        raise ArchiveFileNotText() from None


def _exercises(course: CourseFile, files: dict[str, str], marks: Marks) -> list[Problem]:
    """What is wrong with the exercise files themselves."""
    found = []
    for index, exercise in enumerate(course.exercises):
        for place, version in enumerate(exercise.versions):
            name = f"exercises/{exercise.slug}/{version.number}.yaml"
            if name not in files:
                path = ("exercises", index, "versions", place)
                found.append(_named(at_path(path, f"the zip lacks {name}", marks)))
                continue
            try:
                read_exercise(files[name])
            except UnusableInput as wrong:
                found += [Problem(p.line, p.column, f"{name}: {p.message}") for p in wrong.problems]
    return found


def _mistakes(course: CourseFile) -> Mistakes:
    """What one place names and another lacks, and what stands there twice."""
    slugs = [exercise.slug for exercise in course.exercises]
    yield from _once(slugs, ("exercises",), "exercise")
    yield from _once([section.name.casefold() for section in course.sections], ("sections",), "section")
    yield from _once([room.name.casefold() for room in course.rooms], ("rooms",), "room")
    yield from _once([kit.tag.casefold() for kit in course.kits], ("kits",), "kit")
    yield from _once([module.tag.casefold() for module in course.modules], ("modules",), "module")
    for n, exercise in enumerate(course.exercises):
        yield from _once([v.number for v in exercise.versions], ("exercises", n, "versions"), "version")
        for m, version in enumerate(exercise.versions):
            yield from _once([s.number for s in version.schemes], ("exercises", n, "versions", m, "schemes"), "scheme")
    for n, room in enumerate(course.rooms):
        yield from _once([b.number for b in room.benches], ("rooms", n, "benches"), "bench")
        yield from _once([(b.row, b.column) for b in room.benches], ("rooms", n, "benches"), "place of a bench")
    known = set(slugs)
    for n, kit in enumerate(course.kits):
        yield from _known(kit.exercise, known, ("kits", n, "exercise"), "exercise")
        yield from _once([part.ref for part in kit.parts], ("kits", n, "parts"), "reference")
    for n, section in enumerate(course.sections):
        yield from _once([pair.badge for pair in section.pairs], ("sections", n, "pairs"), "badge")
        yield from _once(
            [s.log_in for s in section.students if s.until is None], ("sections", n, "students"), "student"
        )
        numbers = [s.number for s in section.students if s.number and s.until is None]
        yield from _once(numbers, ("sections", n, "students"), "student number")
        yield from _once([one.log_in for one in section.staff], ("sections", n, "staff"), "member of staff")
    yield from _session_mistakes(course, known)


def _session_mistakes(course: CourseFile, slugs: set[str]) -> Mistakes:
    badges = {section.name: {pair.badge for pair in section.pairs} for section in course.sections}
    rooms = {room.name: {bench.number for bench in room.benches} for room in course.rooms}
    for n, session in enumerate(course.sessions):
        at: Path = ("sessions", n)
        yield from _known(session.section, badges, (*at, "section"), "section")
        yield from _known(session.room, rooms, (*at, "room"), "room")
        for m, slug in enumerate(session.exercises):
            yield from _known(slug, slugs, (*at, "exercises", m), "exercise")
        yield from _once(session.exercises, (*at, "exercises"), "exercise")
        yield from _once([place.badge for place in session.places], (*at, "places"), "pair")
        seats = [place.bench for place in session.places if place.bench is not None]
        yield from _once(seats, (*at, "places"), "bench")
        here = badges.get(session.section, set())
        for m, place in enumerate(session.places):
            yield from _known(place.badge, here, (*at, "places", m, "badge"), "pair")
            if place.exercise is not None:
                yield from _known(place.exercise, slugs, (*at, "places", m, "exercise"), "exercise")
        yield from _once([(mark.badge, mark.exercise) for mark in session.marks], (*at, "marks"), "mark")
        for m, mark in enumerate(session.marks):
            yield from _known(mark.badge, here, (*at, "marks", m, "badge"), "pair")
            yield from _known(mark.exercise, slugs, (*at, "marks", m, "exercise"), "exercise")


def _once(names: Sequence[object], path: Path, what: str) -> Mistakes:
    """A mistake for the second of each that stands there twice."""
    counted = Counter(names)
    reported: set[object] = set()
    for index, name in enumerate(names):
        if counted[name] > 1 and name in reported:
            yield (*path, index), f"the {what} {str(name)[:40]} stands there twice"
        reported.add(name)


def _known(name: str, names: Iterable[str], path: Path, what: str) -> Mistakes:
    if name not in names:
        yield path, f"there is no {what} {name[:40]}"
