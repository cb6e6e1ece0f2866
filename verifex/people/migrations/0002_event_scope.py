from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("people", "0001_initial")]

    operations = [
        migrations.AddField(model_name="event", name="scope", field=models.CharField(default="", max_length=40)),
        migrations.AlterField(model_name="event", name="verb", field=models.CharField(max_length=120)),
        migrations.AddIndex(
            model_name="event", index=models.Index(fields=["scope", "id"], name="newest_of_a_scope")
        ),
    ]
