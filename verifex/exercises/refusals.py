"""Refusals of exercises: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class CourseNotNamed(Refused):
    courses: tuple[str, ...]
    sentence = "Say which course it is for: {courses}."


class NoBenchForBoard(Refused):
    board: str
    boards: tuple[str, ...]
    sentence = "This exercise has no bench for {board}; {boards} suit it."


class ExerciseFileNotReadable(Refused):
    reason: str
    sentence = "{reason}."


class UnknownMethodPurpose(Refused):
    purpose: str
    purposes: tuple[str, ...]
    sentence = "“{purpose:.40}” is nothing that a method is for; one of {purposes} was expected."


class NotANumber(Refused):
    text: str
    sentence = "“{text:.40}” is no number that can be worked with."


class NeitherNumberNorModule(Refused):
    text: str
    intended: str
    sentence = "“{text:.40}” is neither a number nor a kind of module of the catalogue.{intended}"


class ReleaseStopped(Refused):
    obstacles: tuple[str, ...]
    sentence = "{obstacles: }"
