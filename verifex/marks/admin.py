from verifex.marks.models import ClosedMark, GivenMark, StudentMark
from verifex.people.read_only_admin import show_only

show_only(ClosedMark, GivenMark, StudentMark)
