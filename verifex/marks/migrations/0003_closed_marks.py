from decimal import Decimal

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models

import verifex.acts.clock


def snapshot_closed_marks(apps, schema_editor):
    """Marks that were closed before are kept as they stand: the last proposal, with what an instructor gave."""
    Docket = apps.get_model("dockets", "Docket")
    ClosedMark = apps.get_model("marks", "ClosedMark")
    for docket in Docket.objects.filter(stations__station="mark", stations__state="passed").distinct():
        proposal = docket.proposals.order_by("-id").first()
        if proposal is None:
            continue
        given = {mark.criterion: mark for mark in docket.given.all()}
        rows = []
        for criterion in proposal.criteria:
            mark = given.get(criterion["name"])
            counts = mark.marks if mark else Decimal(criterion["proposed"])
            plain = f"{counts.normalize():f}"
            rows.append({**criterion, "given": plain if mark else None, "reason": mark.reason if mark else "", "by": "", "counts": plain})
        total = sum((Decimal(row["counts"]) for row in rows), Decimal(0))
        students = []
        for own in docket.student_marks.select_related("user"):
            adjusted = max(Decimal(0), total + own.adjustment)
            students.append(
                {"id": own.user_id, "name": f"{own.user.first_name} {own.user.last_name}".strip(), "absent": own.absent,
                 "adjustment": str(own.adjustment), "reason": own.reason, "total": "" if own.absent else f"{adjusted.normalize():f}"}
            )
        ClosedMark.objects.create(
            docket=docket, scheme_id=proposal.scheme_id, rules_version=proposal.rules_version, catalogue="", criteria=rows,
            total=total, of=sum((Decimal(row["of"]) for row in rows), Decimal(0)), students=students, at=proposal.at,
        )


class Migration(migrations.Migration):
    dependencies = [
        ("marks", "0002_initial"),
        ("dockets", "0004_typed_judgements"),
        ("exercises", "0003_exercise_of_a_course"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField(model_name="givenmark", name="proposed", field=models.CharField(blank=True, max_length=12, default=""), preserve_default=False),
        migrations.CreateModel(
            name="ClosedMark",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("rules_version", models.CharField(max_length=20)),
                ("catalogue", models.CharField(max_length=64)),
                ("criteria", models.JSONField()),
                ("total", models.DecimalField(decimal_places=2, max_digits=7)),
                ("of", models.DecimalField(decimal_places=2, max_digits=7)),
                ("judged_with", models.JSONField(default=dict)),
                ("students", models.JSONField(default=list)),
                ("at", models.DateTimeField(default=verifex.acts.clock.now)),
                ("reopened_at", models.DateTimeField(blank=True, null=True)),
                ("reopened_because", models.TextField(blank=True)),
                ("by", models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to=settings.AUTH_USER_MODEL)),
                ("docket", models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name="closed_marks", to="dockets.docket")),
                ("reopened_by", models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to=settings.AUTH_USER_MODEL)),
                ("scheme", models.ForeignKey(on_delete=django.db.models.deletion.PROTECT, to="exercises.markscheme")),
            ],
            options={
                "ordering": ["id"],
                "constraints": [
                    models.UniqueConstraint(condition=models.Q(("reopened_at__isnull", True)), fields=("docket",), name="one_closed_mark_a_docket")
                ],
            },
        ),
        migrations.RunPython(snapshot_closed_marks, migrations.RunPython.noop),
        migrations.DeleteModel(name="Proposal"),
    ]
