from django.db import migrations, models

import verifex.acts.clock


class Migration(migrations.Migration):
    dependencies = [("work", "0001_initial")]

    operations = [
        migrations.RemoveField(model_name="work", name="beat"),
        migrations.CreateModel(
            name="Queued",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("kind", models.CharField(max_length=20)),
                ("key", models.PositiveBigIntegerField()),
                ("asked_at", models.DateTimeField(default=verifex.acts.clock.now)),
                ("taken_by", models.PositiveIntegerField(null=True)),
                ("again", models.BooleanField(default=False)),
                ("tries", models.PositiveSmallIntegerField(default=0)),
            ],
            options={
                "ordering": ["asked_at"],
                "constraints": [models.UniqueConstraint(fields=("kind", "key"), name="queued_once")],
            },
        ),
    ]
