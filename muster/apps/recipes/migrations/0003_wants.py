"""Daylight and noise as what a pass wants; its cut as it follows from the work."""

from django.db import migrations

from muster.core.formats.upgrading import recipe_2


def forwards(apps, schema_editor):
    for row in apps.get_model("recipes", "RecipeVersion").objects.iterator():
        row.document = recipe_2(row.document)
        row.save(update_fields=["document"])


class Migration(migrations.Migration):
    dependencies = [("recipes", "0002_trial")]

    operations = [migrations.RunPython(forwards, migrations.RunPython.noop)]
