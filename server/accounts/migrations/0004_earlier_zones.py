from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0003_wants_reminders")]

    operations = [
        migrations.AddField("account", "earlier_zones", models.JSONField(default=list)),
    ]
