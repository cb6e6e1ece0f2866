import hashlib

import django.db.models.deletion
from django.db import migrations, models

import verifex.acts.clock


def keep_old_judgements(apps, schema_editor):
    """Findings and result of a judgement become one record of format 1; reading upgrades it."""
    Judgement = apps.get_model("dockets", "Judgement")
    for judgement in Judgement.objects.select_related("attempt").iterator():
        judgement.docket_id, judgement.kind = judgement.attempt.docket_id, judgement.attempt.kind
        judgement.record = {
            "format": 1,
            "kind": judgement.kind,
            "findings": judgement.findings,
            "result": judgement.result,
        }
        judgement.save(update_fields=["docket", "kind", "record"])
    for attempt in apps.get_model("dockets", "Attempt").objects.iterator():
        text = attempt.text.encode("utf-8", "surrogatepass")
        attempt.digest, attempt.size_bytes = hashlib.sha256(text).hexdigest(), len(text)
        attempt.save(update_fields=["digest", "size_bytes"])


def judge_again(apps, schema_editor):
    """Judgements from before have no digest: open dockets are judged with today's rules when the server starts."""
    Queued = apps.get_model("work", "Queued")
    closed = apps.get_model("dockets", "StationState").objects.filter(station="mark", state="passed").values("docket_id")
    for pk in apps.get_model("dockets", "Docket").objects.exclude(pk__in=closed).values_list("pk", flat=True):
        Queued.objects.get_or_create(kind="judge", key=pk)


class Migration(migrations.Migration):
    dependencies = [("dockets", "0003_prediction"), ("work", "0002_queued")]

    operations = [
        migrations.AddField(model_name="docket", name="judging_since", field=models.DateTimeField(blank=True, null=True)),
        migrations.AddField(model_name="attempt", name="digest", field=models.CharField(default="", max_length=64)),
        migrations.AddField(model_name="attempt", name="size_bytes", field=models.PositiveIntegerField(default=0)),
        migrations.AddField(
            model_name="clearance", name="void_told", field=models.CharField(blank=True, default="", max_length=200), preserve_default=False
        ),
        migrations.AddField(model_name="decision", name="overruled", field=models.JSONField(default=list)),
        migrations.AddField(model_name="decision", name="before", field=models.JSONField(default=dict)),
        migrations.AddField(model_name="decision", name="after", field=models.JSONField(default=dict)),
        migrations.AddField(model_name="decision", name="undone_at", field=models.DateTimeField(blank=True, null=True)),
        migrations.AddField(
            model_name="judgement",
            name="docket",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.CASCADE, related_name="judgements", to="dockets.docket"
            ),
        ),
        migrations.AddField(
            model_name="judgement",
            name="kind",
            field=models.CharField(
                choices=[
                    ("wiring", "Wiring"),
                    ("program", "Program"),
                    ("readings", "Readings"),
                    ("prediction", "Prediction"),
                ],
                default="wiring",
                max_length=10,
            ),
            preserve_default=False,
        ),
        migrations.AddField(model_name="judgement", name="digest", field=models.CharField(default="", max_length=64), preserve_default=False),
        migrations.AddField(model_name="judgement", name="judged_with", field=models.JSONField(default=dict)),
        migrations.AddField(model_name="judgement", name="record", field=models.JSONField(default=dict), preserve_default=False),
        migrations.AddField(model_name="judgement", name="details", field=models.JSONField(default=dict)),
        migrations.AddField(model_name="judgement", name="summary", field=models.JSONField(default=dict)),
        migrations.RunPython(keep_old_judgements, migrations.RunPython.noop),
        migrations.RemoveField(model_name="judgement", name="findings"),
        migrations.RemoveField(model_name="judgement", name="result"),
        migrations.AlterField(
            model_name="judgement",
            name="docket",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, related_name="judgements", to="dockets.docket"
            ),
        ),
        migrations.AddIndex(
            model_name="judgement", index=models.Index(fields=["docket", "kind", "id"], name="newest_of_a_kind")
        ),
        migrations.CreateModel(
            name="BenchSheets",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("digest", models.CharField(max_length=64)),
                ("record", models.JSONField()),
                ("at", models.DateTimeField(default=verifex.acts.clock.now)),
                (
                    "docket",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE, related_name="sheets", to="dockets.docket"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="SharedReadings",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("readings", models.PositiveIntegerField()),
                (
                    "one",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="shared_with", to="dockets.attempt"
                    ),
                ),
                (
                    "other",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="shared_by", to="dockets.attempt"
                    ),
                ),
            ],
            options={"constraints": [models.UniqueConstraint(fields=("one", "other"), name="shared_once")]},
        ),
        migrations.RunPython(judge_again, migrations.RunPython.noop),
    ]
