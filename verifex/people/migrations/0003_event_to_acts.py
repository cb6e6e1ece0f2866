from django.db import migrations


class Migration(migrations.Migration):
    """The event log moves to the app `acts`: the table takes its name first."""

    dependencies = [("people", "0002_event_scope")]
    operations = [migrations.AlterModelTable("event", "acts_event")]
