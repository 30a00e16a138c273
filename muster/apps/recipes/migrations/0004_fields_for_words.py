"""What rules read in names and notes, as fields; recipes can be put away."""

from django.db import migrations, models

from muster.core.formats.upgrading import recipe_3


def forwards(apps, schema_editor):
    for row in apps.get_model("recipes", "RecipeVersion").objects.iterator():
        row.document = recipe_3(row.document)
        row.save(update_fields=["document"])


class Migration(migrations.Migration):
    dependencies = [("recipes", "0003_wants")]

    operations = [
        migrations.AddField("Recipe", "put_away", models.BooleanField(default=False)),
        migrations.RunPython(forwards, migrations.RunPython.noop),
    ]
