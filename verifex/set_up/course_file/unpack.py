"""The zip of a course opened: small enough, whole, and each file as it should be. Raises Refused with the place."""

import io
import zipfile

import yaml
from pydantic import ValidationError

from verifex.acts.refusals import Refused
from verifex.core.exercise import read_exercise
from verifex.core.problems import UnusableInput
from verifex.set_up.course_file.shapes import FORMAT, CourseFile

MOST_BYTES, MOST_UNPACKED, MOST_FILES = 20 * 1024 * 1024, 100 * 1024 * 1024, 2000
Unpacked = tuple[CourseFile, dict[str, str]]


def unpack(data: bytes) -> Unpacked:
    """The course file and every file by name."""
    files = _files(data)
    if "course.yaml" not in files:
        raise Refused("This zip holds no course.yaml; it was not made by taking a course out.")
    try:
        read = yaml.safe_load(files["course.yaml"])
    except yaml.YAMLError as wrong:
        mark = getattr(wrong, "problem_mark", None)
        where = f", line {mark.line + 1}" if mark else ""
        raise Refused(f"course.yaml cannot be read{where}.") from None
    try:
        course = CourseFile.model_validate(read)
    except ValidationError as wrong:
        first = wrong.errors()[0]
        place = ".".join(str(step) for step in first["loc"]) or "the file"
        raise Refused(f"course.yaml, {place}: {first['msg']}.") from None
    if course.format > FORMAT:
        raise Refused("This course was taken out by a later version; update this installation first.")
    _check(course, files)
    return course, files


def _files(data: bytes) -> dict[str, str]:
    if len(data) > MOST_BYTES:
        raise Refused("This file has more than 20 MB, the limit for a course.")
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as book:
            entries = [entry for entry in book.infolist() if not entry.is_dir()]
            if len(entries) > MOST_FILES or sum(entry.file_size for entry in entries) > MOST_UNPACKED:
                raise Refused("This zip unpacks to more than 100 MB, the limit for a course.")
            return {entry.filename: book.read(entry).decode("utf-8", "surrogatepass") for entry in entries}
    except (zipfile.BadZipFile, RuntimeError, NotImplementedError, EOFError, OSError):
        raise Refused("This is no zip, or it is damaged.") from None
    except UnicodeDecodeError:
        raise Refused("A file in this zip is no text; a course is made of text files.") from None


def _check(course: CourseFile, files: dict[str, str]) -> None:
    """What one place names and another lacks."""
    slugs = [exercise.slug for exercise in course.exercises]
    _once(slugs, "exercise")
    _once([section.name for section in course.sections], "section")
    _once([room.name for room in course.rooms], "room")
    _once([kit.tag for kit in course.kits], "kit")
    if not course.sections:
        raise Refused("course.yaml, sections: a course has one at least.")
    for exercise in course.exercises:
        for version in exercise.versions:
            name = f"exercises/{exercise.slug}/{version.number}.yaml"
            if name not in files:
                raise Refused(f"The zip lacks {name}, which course.yaml names.")
            try:
                read_exercise(files[name])
            except UnusableInput as wrong:
                first = wrong.problems[0]
                raise Refused(f"{name}, line {first.line}: {first.message}.") from None
    for kit in course.kits:
        _known(kit.exercise, slugs, f"kit {kit.tag}", "exercise")
    sections = {section.name: {pair.badge for pair in section.pairs} for section in course.sections}
    rooms = [room.name for room in course.rooms]
    for session in course.sessions:
        where = f"the session of {session.starts_at:%d %b %Y}"
        _known(session.section, list(sections), where, "section")
        _known(session.room, rooms, where, "room")
        for slug in [
            *session.exercises,
            *(p.exercise for p in session.places if p.exercise),
            *(m.exercise for m in session.marks),
        ]:
            _known(slug, slugs, where, "exercise")
        for badge in [*(p.badge for p in session.places), *(m.badge for m in session.marks)]:
            _known(badge, list(sections[session.section]), where, "pair")


def _once(names: list[str], what: str) -> None:
    twice = sorted({name for name in names if names.count(name) > 1})
    if twice:
        raise Refused(f"course.yaml: the {what} {twice[0]} stands there twice.")


def _known(name: str, names: list[str], where: str, what: str) -> None:
    if name not in names:
        raise Refused(f"course.yaml, {where}: there is no {what} {name[:40]}.")
