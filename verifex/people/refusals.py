"""Refusals about people: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class CurrentPasswordWrong(Refused):
    sentence = "The current password is wrong."


class PasswordUnchanged(Refused):
    sentence = "Choose a password other than the current one."


class ColumnsOfAnotherFile(Refused):
    sentence = "These columns do not belong to this file."


class ColumnChosenTwice(Refused):
    sentence = "The same column was chosen twice."


class NameColumnMissing(Refused):
    sentence = "Say which column holds the names."


class PasswordNotTypeable(Refused):
    sentence = "A password has letters, digits, signs and blanks only; this one holds a character nobody can type."


class TermEndsBeforeStart(Refused):
    sentence = "The term ends before it begins."


class TooManyHolidays(Refused):
    most: int
    sentence = "A course has at most {most} days without a session."


class LastSection(Refused):
    sentence = "A course keeps one section at least."


class SectionInUse(Refused):
    section: str
    held: tuple[str, ...]
    sentence = "{section} has {held}; a section that was worked in is kept."


class NameMissing(Refused):
    subject: str
    sentence = "Give the {subject} a name."


class NameTooLong(Refused):
    subject: str
    most: int
    sentence = "The name of a {subject} has at most {most} letters."


class SectionNameTaken(Refused):
    name: str
    sentence = "There is a section called {name} already."


class UnknownTimeZone(Refused):
    zone: str
    sentence = "There is no time zone “{zone:.40}”; it is written as Europe/Dublin."


class AllHaveLoggedIn(Refused):
    sentence = "Everybody on this list has logged in; a forgotten password is reset one by one."


class TooManySlips(Refused):
    most: int
    sentence = "Slips are printed for up to {most} students at once."


class PairSize(Refused):
    sentence = "A pair has two members; a three is allowed, and one works alone."


class MembersNotOnClassList(Refused):
    missing: int
    section: str
    sentence = "{missing} of them are not on the class list of {section}."


class StudentInOtherPair(Refused):
    students: str
    sentence = "{students} is in a pair already, or not on the list."


class UnknownStaffRole(Refused):
    sentence = "Staff are instructors or assistants."


class LogInNotFound(Refused):
    sentence = "Nobody has this log-in; for somebody new give first and last name."


class SamePersonExists(Refused):
    name: str
    log_in: str
    sentence = "{name} is there already; add them by the log-in {log_in}."


class AlreadyStaff(Refused):
    log_in: str
    section: str
    sentence = "{log_in} has a part in {section} already."


class StaffOnClassList(Refused):
    log_in: str
    section: str
    sentence = "{log_in} is on the class list of {section}."


class CourseClosed(Refused):
    sentence = "This course is closed."


class LastInstructor(Refused):
    section: str
    sentence = "{section} needs an instructor; name another one first."


class PersonNotInSection(Refused):
    sentence = "This person is not in this section."


class PersonNameMissing(Refused):
    sentence = "Give a name."


class LogInSpelling(Refused):
    sentence = "A log-in has 2 to 60 small letters, digits, dots or dashes, such as m.kessler."


class LogInTaken(Refused):
    log_in: str
    sentence = "Somebody has the log-in {log_in} already."


class PasswordTooWeak(Refused):
    problems: tuple[str, ...]
    sentence = "{problems: }"


class StudentNotNew(Refused):
    reason: str
    sentence = "{reason}."
