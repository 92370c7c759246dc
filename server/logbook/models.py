"""What happened: entries, and every change made to one. Nothing leaves a log; an undone entry is withdrawn."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Entry(models.Model):
    """A feed, a look or an end. The id comes from the client; `body` is the entry as it goes over the wire."""

    id = models.UUIDField(primary_key=True)
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="entries")
    kind = models.CharField(max_length=10)
    at = models.DateTimeField()
    body = models.JSONField()
    revision = models.PositiveIntegerField(default=1)
    recorded_at = models.DateTimeField()
    recorded_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")
    withdrawn_at = models.DateTimeField(null=True)

    class Meta:
        indexes = (models.Index(fields=["jar", "at"]),)


class Change(models.Model):
    """One change of an entry: what it said before, who changed it and when."""

    entry = models.ForeignKey(Entry, on_delete=models.CASCADE, related_name="changes")
    what = models.CharField(max_length=10)
    at = models.DateTimeField()
    body = models.JSONField()
    made_at = models.DateTimeField()
    made_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")

    class Meta:
        indexes = (models.Index(fields=["entry", "made_at"]),)
