"""Thermometers of a baker's places and what they wrote down."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Thermometer(models.Model):
    """One device in one place. Only a hash of its token is kept; withdrawn, it may post no more."""

    id = models.UUIDField(primary_key=True)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="thermometers")
    place = models.CharField(max_length=60)
    token_hash = models.CharField(max_length=64, unique=True, db_collation="utf8mb4_bin")
    made_at = models.DateTimeField(auto_now_add=True)
    withdrawn_at = models.DateTimeField(null=True)
    # How often its hours were put down so far.
    revision = models.PositiveIntegerField(default=0)


class Reading(models.Model):
    """Degrees Celsius at a moment; the same moment sent twice is one reading. Kept for a week; then its hour stands."""

    thermometer = models.ForeignKey(Thermometer, on_delete=models.CASCADE, related_name="readings")
    at = models.DateTimeField()
    celsius = models.FloatField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["thermometer", "at"], name="reading_once"),)


class Hour(models.Model):
    """The mean of a whole hour without its wild readings: what a jar's warmth is made of."""

    thermometer = models.ForeignKey(Thermometer, on_delete=models.CASCADE, related_name="hours")
    at = models.DateTimeField()
    celsius = models.FloatField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["thermometer", "at"], name="hour_once"),)
