"""What was planned up to now counts as done while one works."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("plan", "0003_planrun_house")]

    operations = [
        migrations.AddField(
            model_name="planrun", name="past", field=models.JSONField(default=list)
        )
    ]
