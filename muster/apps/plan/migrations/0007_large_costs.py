from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("plan", "0006_planrun_program")]

    operations = [
        migrations.AlterField("PlanRun", "first_cost_s", models.BigIntegerField(default=0)),
    ]
