from verifex.acts.read_only_admin import show_only
from verifex.exercises.models import Exercise, ExerciseVersion, MarkScheme

show_only(Exercise, ExerciseVersion, MarkScheme)
