"""What was done with the discard jars of a kitchen. What is in them is worked out of the jars' logs, never stored."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class DiscardNote(models.Model):
    """Taken out, used up, emptied, washed, or looked at. The id comes from the client: sending twice makes one."""

    id = models.UUIDField(primary_key=True)
    kitchen = models.ForeignKey("kitchen.Kitchen", on_delete=models.CASCADE, related_name="+")
    shelf = models.CharField(max_length=15)
    act = models.CharField(max_length=10)
    at = models.DateTimeField()
    g = models.FloatField(default=0.0)
    top = models.JSONField(default=list)
    ml = models.FloatField(default=0.0)
    made_for = models.CharField(max_length=60, default="")
    recorded_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")

    class Meta:
        indexes = (models.Index(fields=["kitchen", "at"]),)
