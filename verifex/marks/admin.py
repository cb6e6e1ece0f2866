from verifex.acts.read_only_admin import show_only
from verifex.marks.models import ClosedMark, GivenMark, StudentMark

show_only(ClosedMark, GivenMark, StudentMark)
