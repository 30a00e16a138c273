from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("recipes", "0004_fields_for_words")]

    operations = [
        migrations.AddField(
            "Trial", name, models.CharField(max_length=60, blank=True, default="")
        )
        for name in ("laid", "over")
    ]
