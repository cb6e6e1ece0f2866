"""Refusals of setting up: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class CourseFileNotReadable(Refused):
    reason: str
    sentence = "{reason}"


class UnknownSampleExercise(Refused):
    sentence = "There is no exercise of that name among those that ship."


class SampleAlreadyInCourse(Refused):
    title: str
    sentence = "{title} is in this course already."


class UnknownColumnMeaning(Refused):
    meaning: str
    sentence = "A column cannot be “{meaning:.20}”."


class UnknownSessionCode(Refused):
    sentence = "No session has this code. Look at the wall again; it has five letters or digits."


class NotASessionCode(Refused):
    sentence = "This is no session's code."


class RoomNotInCourse(Refused):
    sentence = "This room is not in the course."


class KitTagsTaken(Refused):
    tags: tuple[str, ...]
    sentence = "There are kits tagged {tags} already. Put the course in without its kits."


class MarksWithoutVersion(Refused):
    pair: str
    exercise: str
    sentence = "course.yaml, marks of {pair}: {exercise} has no such version or scheme."


class NotACourseArchive(Refused):
    sentence = "This zip holds no course.yaml; it was not made by taking a course out."


class CourseOfLaterVersion(Refused):
    sentence = "This course was taken out by a later version; update this installation first."


class CourseFileTooLarge(Refused):
    sentence = "This file has more than 20 MB, the limit for a course."


class NotAZip(Refused):
    sentence = "This is no zip, or it is damaged."


class ArchiveFileNotText(Refused):
    sentence = "A file in this zip is no text; a course is made of text files."


class CourseUnpacksTooLarge(Refused):
    sentence = "This zip unpacks to more than 100 MB, the limit for a course."


class PersonIsStaff(Refused):
    sentence = "This is a member of staff; take them off the staff first."


class StudentInOtherSection(Refused):
    section: str
    sentence = "This student is on the list of {section} too; that has to end first."


class NeverAStudentHere(Refused):
    sentence = "This person was never a student of this section."
