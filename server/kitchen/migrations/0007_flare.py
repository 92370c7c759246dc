from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [
        ("kitchen", "0006_flours"),
    ]

    operations = [
        migrations.AddField(
            model_name="jar",
            name="flare",
            field=models.FloatField(default=1.0),
        ),
    ]
