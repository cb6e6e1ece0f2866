"""What the old columns said, in the new tables: drawers of resistors, kits in repair, values of parts, what an issue was for."""

from django.db import migrations

from verifex.core.exercise.reader import read_exercise
from verifex.core.problems import UnusableInput
from verifex.core.quantity import in_words


def carry_over(apps, schema_editor):
    get = lambda name: apps.get_model("stores", name)  # noqa: E731
    for old in get("StockResistor").objects.all():
        item = get("StockItem").objects.create(
            part="resistor", title=f"{in_words(old.ohms, 'Ω')} resistor", ohms=old.ohms, rated_watts=old.rated_watts,
            tolerance_percent=old.tolerance_percent, count=old.count, drawer=old.drawer,
        )
        get("StockMove").objects.create(item=item, delta=old.count, count_after=old.count, why="first")
    for kit in get("Kit").objects.filter(in_repair=True):
        get("Fault").objects.create(kit=kit, title=kit.tag, what=kit.repair_note or "no note")
    for issue in get("KitIssue").objects.select_related("kit"):
        issue.exercise_id = issue.kit.exercise_id
        issue.save(update_fields=["exercise"])
    versions = apps.get_model("exercises", "ExerciseVersion").objects.filter(released_at__isnull=False).order_by("number")
    for exercise_id, text in versions.values_list("exercise", "text"):
        try:
            recipe = read_exercise(text).recipe
        except UnusableInput:
            continue  # an exercise of an older format: its parts keep no values until the kit is filled anew
        for part in recipe:
            parts = get("KitPart").objects.filter(kit__exercise=exercise_id, ref=part.ref, part=part.part)
            parts.update(settings=dict(part.settings))


class Migration(migrations.Migration):
    dependencies = [("stores", "0005_modules_drawers_faults"), ("exercises", "0001_initial")]
    operations = [migrations.RunPython(carry_over, migrations.RunPython.noop)]
