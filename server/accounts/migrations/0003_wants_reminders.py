from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0002_heard")]
    operations = [migrations.AddField("account", "wants_reminders", models.BooleanField(default=True))]
