"""Reminders are known by what the act is and for whom, no longer by its place in the plan."""

from typing import Any

from django.conf import settings
from django.db import migrations, models


def name_those_sent(apps: Any, _editor: Any) -> None:
    """What was sent stays to be read; which act of today it was is not known any more."""
    for message in apps.get_model("reminders", "Message").objects.filter(name=None):
        message.name = f"before-{message.step}"
        message.save(update_fields=["name"])


class Migration(migrations.Migration):
    dependencies = [
        ("kitchen", "0008_keep_the_method"),
        ("reminders", "0001_initial"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField("message", "name", models.CharField(max_length=40, null=True)),
        migrations.AddField("message", "undone", models.PositiveIntegerField(default=0)),
        migrations.RunPython(name_those_sent, migrations.RunPython.noop),
        migrations.AlterField("message", "name", models.CharField(max_length=40)),
        migrations.AddConstraint(
            "message",
            models.UniqueConstraint(fields=("account", "jar", "name", "undone"), name="an_act_once_to_each"),
        ),
        migrations.RemoveConstraint("message", "one_reminder_an_act"),
        migrations.AlterField("message", "step", models.PositiveIntegerField(default=0)),
        migrations.RemoveField("message", "step"),
    ]
