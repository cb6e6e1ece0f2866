import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models

import verifex.acts.clock


class Migration(migrations.Migration):
    """The table is there already: it was the people app's."""

    dependencies = [("people", "0003_event_to_acts")]
    operations = [
        migrations.SeparateDatabaseAndState(
            state_operations=[
                migrations.CreateModel(
                    name="Event",
                    fields=[
                        (
                            "id",
                            models.BigAutoField(
                                auto_created=True, primary_key=True, serialize=False, verbose_name="ID"
                            ),
                        ),
                        ("at", models.DateTimeField(db_index=True, default=verifex.acts.clock.now)),
                        ("verb", models.CharField(max_length=120)),
                        ("subject", models.CharField(db_index=True, max_length=60)),
                        ("scope", models.CharField(default="", max_length=40)),
                        ("revision", models.PositiveIntegerField(default=0)),
                        ("detail", models.JSONField(default=dict)),
                        (
                            "actor",
                            models.ForeignKey(
                                null=True,
                                on_delete=django.db.models.deletion.SET_NULL,
                                to=settings.AUTH_USER_MODEL,
                            ),
                        ),
                    ],
                    options={
                        "ordering": ["id"],
                        "indexes": [models.Index(fields=["scope", "id"], name="newest_of_a_scope")],
                    },
                ),
            ]
        )
    ]
