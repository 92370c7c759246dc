from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor
from django.db.migrations.state import StateApps


def the_demo_speaks_english(apps: StateApps, _editor: BaseDatabaseSchemaEditor) -> None:
    """There was one demo kitchen, and it is the English one; bakers go on by their browsers."""
    apps.get_model("accounts", "Account").objects.filter(is_demo=True).update(language="en")


class Migration(migrations.Migration):
    dependencies = [("accounts", "0007_passkeys")]

    operations = [
        migrations.AddField(
            model_name="account", name="language", field=models.CharField(blank=True, max_length=8), preserve_default=True
        ),
        migrations.RunPython(the_demo_speaks_english, migrations.RunPython.noop),
    ]
