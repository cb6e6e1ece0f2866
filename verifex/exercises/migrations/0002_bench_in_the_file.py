"""The instructor's own bench moves into the exercise file, under its board."""

import textwrap

from django.db import migrations

import yaml


def move_in(apps, schema_editor):
    for version in apps.get_model("exercises", "ExerciseVersion").objects.exclude(reference_wiring=""):
        file = yaml.safe_load(version.text)
        if "references" not in file:
            bench = textwrap.indent(version.reference_wiring.rstrip("\n") + "\n", "    ")
            version.text = f"{version.text.rstrip()}\n\nreferences:\n  {file['board']}: |\n{bench}"
            version.save(update_fields=["text"])


class Migration(migrations.Migration):
    dependencies = [("exercises", "0001_initial")]
    operations = [
        migrations.RunPython(move_in, migrations.RunPython.noop),
        migrations.RemoveField("exerciseversion", "reference_wiring"),
    ]
