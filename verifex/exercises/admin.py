from verifex.exercises.models import Exercise, ExerciseVersion, MarkScheme
from verifex.people.read_only_admin import show_only

show_only(Exercise, ExerciseVersion, MarkScheme)
