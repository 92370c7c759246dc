"""What went to the postbox. An act is written once to each who keeps the jar, so that nobody is reminded twice."""

from __future__ import annotations

from datetime import UTC, datetime

from django.conf import settings
from django.db import models


class Watch(models.Model):
    """When an account's jars are next to be looked at, as long as nothing of them changes before (`state` tells)."""

    account = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="watch")
    next_at = models.DateTimeField()
    state = models.CharField(max_length=64)
    # When a worker last took it up, and which: whoever wants to remind takes what nobody has taken for a while.
    taken_at = models.DateTimeField(default=datetime.fromtimestamp(0, UTC), db_index=True)
    taken_by = models.UUIDField(null=True)


class DiscardMessage(models.Model):
    """What went to the postbox about a discard jar: once for each time that it grew old or full."""

    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    shelf = models.CharField(max_length=15)
    name = models.CharField(max_length=40)
    sign = models.CharField(max_length=10)
    due = models.DateTimeField()
    sent_at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["account", "shelf", "name"], name="a_nudge_once"),)


class Message(models.Model):
    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="messages")
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="messages")
    # What the act is known by, and how many acts had been undone in the jar by then: what is due anew is told anew.
    name = models.CharField(max_length=40)
    undone = models.PositiveIntegerField(default=0)
    act = models.CharField(max_length=20)
    due = models.DateTimeField()
    sent_at = models.DateTimeField()
    late_h = models.FloatField()
    harmless = models.BooleanField()

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=["account", "jar", "name", "undone"], name="an_act_once_to_each"),
        )
        indexes = (models.Index(fields=["account", "sent_at"]),)
