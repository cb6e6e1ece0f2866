from django.db import migrations, models

CODES = {"passed": "pass", "sent back": "send-back", "cleared": "clear", "reopened": "reopen"}


def words_to_codes(apps, schema_editor):
    """A decision was kept under the word it is shown with; an overrule was either a clearance or a pass."""
    Decision = apps.get_model("dockets", "Decision")
    for word, code in CODES.items():
        Decision.objects.filter(act=word).update(act=code)
    overruled = Decision.objects.filter(act="overruled")
    overruled.filter(station="power").update(act="clear")
    overruled.update(act="pass")


class Migration(migrations.Migration):
    dependencies = [("dockets", "0004_typed_judgements")]
    operations = [
        migrations.RenameField("decision", "what", "act"),
        migrations.RunPython(words_to_codes, migrations.RunPython.noop),
        migrations.AlterField(
            "decision",
            "act",
            models.CharField(
                choices=[("pass", "Pass"), ("send-back", "Send Back"), ("clear", "Clear"), ("reopen", "Reopen")],
                max_length=10,
            ),
        ),
    ]
