"""The columns and the table that were carried over."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("stores", "0006_carry_over")]
    operations = [
        migrations.DeleteModel(
            name='StockResistor',
        ),
        migrations.RemoveField(
            model_name='kit',
            name='in_repair',
        ),
        migrations.RemoveField(
            model_name='kit',
            name='repair_note',
        ),
    ]
