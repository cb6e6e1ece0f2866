from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("people", "0003_event_to_acts"), ("acts", "0001_event")]
    operations = [migrations.SeparateDatabaseAndState(state_operations=[migrations.DeleteModel("Event")])]
