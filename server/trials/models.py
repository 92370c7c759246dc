"""Jars that are raised side by side to differ in one thing. What that did is computed from their logs, never stored."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Trial(models.Model):
    """The id comes from the client: sending twice makes one. What was known when it ended is told by the logs until
    then."""

    id = models.UUIDField(primary_key=True)
    kitchen = models.ForeignKey("kitchen.Kitchen", on_delete=models.CASCADE, related_name="+")
    name = models.CharField(max_length=60)
    begun_at = models.DateTimeField()
    ended_at = models.DateTimeField(null=True)
    begun_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")

    class Meta:
        indexes = (models.Index(fields=["kitchen", "begun_at"]),)


class Part(models.Model):
    """One of its jars, the plain one with number 0; `yeast` where a pinch of baker's yeast goes into it, for show;
    `ended_as` what became of it, `wrote` the entries that this wrote into its log."""

    trial = models.ForeignKey(Trial, on_delete=models.CASCADE, related_name="parts")
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="+")
    number = models.PositiveSmallIntegerField()
    yeast = models.BooleanField(default=False)
    ended_as = models.CharField(max_length=10, null=True)
    wrote = models.JSONField(default=list)

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=["trial", "jar"], name="jar_once_in_a_trial"),
            models.UniqueConstraint(fields=["trial", "number"], name="place_once_in_a_trial"),
        )
