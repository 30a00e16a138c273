from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("plan", "0005_problem_only_to_improve")]

    operations = [
        migrations.AddField("PlanRun", "program", models.CharField(max_length=16, default="")),
    ]
