"""What went to the postbox. An act is written once, so that nobody is reminded of it twice."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Message(models.Model):
    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="messages")
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="messages")
    step = models.PositiveIntegerField()
    act = models.CharField(max_length=20)
    due = models.DateTimeField()
    sent_at = models.DateTimeField()
    late_h = models.FloatField()
    harmless = models.BooleanField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["jar", "step"], name="one_reminder_an_act"),)
        indexes = (models.Index(fields=["account", "sent_at"]),)
