import django.db.models.deletion
from django.db import migrations, models


def give_to_the_first_course(apps, schema_editor):
    """Until now exercises belonged to the installation, which had one course."""
    course = apps.get_model("people", "Course").objects.order_by("id").first()
    exercises = apps.get_model("exercises", "Exercise").objects.filter(course=None)
    if course is None and exercises.exists():
        course = apps.get_model("people", "Course").objects.create(title="Exercises")
    exercises.update(course=course)


class Migration(migrations.Migration):
    dependencies = [("exercises", "0002_bench_in_the_file"), ("people", "0002_event_scope")]

    operations = [
        migrations.AddField(
            model_name="exercise",
            name="course",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.PROTECT, related_name="exercises", to="people.course"
            ),
        ),
        migrations.RunPython(give_to_the_first_course, migrations.RunPython.noop),
        migrations.AlterField(
            model_name="exercise",
            name="course",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.PROTECT, related_name="exercises", to="people.course"
            ),
        ),
        migrations.AlterField(model_name="exercise", name="slug", field=models.SlugField()),
        migrations.AddConstraint(
            model_name="exercise",
            constraint=models.UniqueConstraint(fields=["course", "slug"], name="exercise_id_once_a_course"),
        ),
    ]
