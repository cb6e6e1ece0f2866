"""Refusals of the plan: each reason a type with its facts, and the sentence it is answered with."""

from datetime import datetime

from verifex.acts.refusals import Refused


class RoomSize(Refused):
    rows: int
    columns: int
    sentence = "A room has 1 to {rows} rows and 1 to {columns} columns."


class RoomWithoutBench(Refused):
    sentence = "A room has one bench at least."


class BenchesOverlap(Refused):
    sentence = "Two benches stand in one place."


class BenchNumberTwice(Refused):
    bench: int
    sentence = "Two benches have the number {bench}."


class RoomTooLarge(Refused):
    rows: int
    columns: int
    sentence = "A room has at most {rows} rows and {columns} columns; benches are numbered 1 to 999."


class BenchHasSeat(Refused):
    bench: int
    sentence = "Bench {bench} has a pair in a session to come; give it another seat first."


class RoomHasSessions(Refused):
    room: str
    sentence = "{room} has sessions to come; move or remove them first."


class RoomNameMissing(Refused):
    sentence = "Give the room a name."


class RoomNameTaken(Refused):
    name: str
    sentence = "There is a room called {name} already."


class StudentWithoutPair(Refused):
    sentence = "This student is in no pair of this section."


class PairOfOtherSection(Refused):
    sentence = "This pair is not in this session's section."


class SessionEnded(Refused):
    sentence = "This session is over."


class StudentInThatPair(Refused):
    sentence = "This student works with that pair already."


class BenchFull(Refused):
    pair: str
    most: int
    sentence = "{pair} has {most} already."


class NoSuchBench(Refused):
    room: str
    bench: int
    sentence = "{room} has no bench {bench}."


class ExerciseNotPlanned(Refused):
    sentence = "This exercise is not planned in this session."


class LastDayBeforeFirst(Refused):
    sentence = "The last day lies before the first one."


class TooManyWeeks(Refused):
    most: int
    sentence = "A weekly row has at most {most} sessions."


class RoomRemoved(Refused):
    room: str
    sentence = "{room} is no room of this course any more."


class CourseClosedForPlanning(Refused):
    sentence = "This course is closed; open it again to plan in it."


class SessionEndsBeforeStart(Refused):
    sentence = "The session ends before it begins."


class AllDaysAreHolidays(Refused):
    sentence = "Every one of these days is a holiday of the course."


class RoomOfOtherCourse(Refused):
    sentence = "This room belongs to another course."


class SessionHasKitsOut(Refused):
    sentence = "Kits went out in this session; what was done in it is kept."


class SessionAlreadyRunning(Refused):
    sentence = "This session is running already."


class SessionAlreadyPaused(Refused):
    sentence = "This session is paused already."


class OnlyRunningSessionPauses(Refused):
    sentence = "Only a session that is running can be paused."


class SessionNotPaused(Refused):
    sentence = "This session is not paused."


class SessionNotRunning(Refused):
    sentence = "This session is not running."


class SectionHasSession(Refused):
    section: str
    day: datetime
    sentence = "{section} has a session at that time already, on {day:%d %b %Y}."


class RoomTaken(Refused):
    room: str
    day: datetime
    sentence = "{room} is taken at that time, on {day:%d %b %Y}."


class ExerciseOfOtherCourse(Refused):
    exercise: str
    sentence = "{exercise} belongs to another course."


class ExerciseNotReleased(Refused):
    exercise: str
    sentence = "{exercise} has no released version; release it first."


class ExerciseInUse(Refused):
    exercise: str
    sentence = "A pair works on {exercise} in this session; it stays."
