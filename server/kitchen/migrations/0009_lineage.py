import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("kitchen", "0008_keep_the_method")]

    operations = [
        migrations.AddField(
            "jar",
            "mother",
            models.ForeignKey(
                null=True,
                on_delete=django.db.models.deletion.SET_NULL,
                related_name="daughters",
                to="kitchen.jar",
            ),
        ),
        migrations.AddField("jar", "came_by", models.CharField(max_length=10, null=True)),
    ]
