"""What the baker owns: a kitchen and its jars. How a jar is doing is computed, never stored."""

from __future__ import annotations

import uuid

from django.conf import settings
from django.db import models


class Kitchen(models.Model):
    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="kitchen")
    made_at = models.DateTimeField(auto_now_add=True)


class Jar(models.Model):
    """One starter and what was chosen for it. The id comes from the client, so that sending twice makes one."""

    id = models.UUIDField(primary_key=True)
    kitchen = models.ForeignKey(Kitchen, on_delete=models.CASCADE, related_name="jars")
    name = models.CharField(max_length=60)
    family = models.CharField(max_length=40)
    choices = models.JSONField()
    tare_g = models.FloatField()
    volume_ml = models.FloatField()
    height_mm = models.FloatField()
    scale_step = models.FloatField()
    size = models.FloatField(default=1.0)
    warmth_c = models.FloatField(default=22.0)
    night_c = models.FloatField(null=True)
    ready_after = models.CharField(max_length=10, default="usual")
    starts_at = models.DateTimeField()
    put_away_at = models.DateTimeField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = (models.Index(fields=["kitchen", "made_at"]),)
