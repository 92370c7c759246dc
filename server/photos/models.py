"""A photo of a jar; the pictures themselves lie in files of their own."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Photo(models.Model):
    """The id comes from the client. `look` is the entry it was taken with, where there is one; `points` are the bottom,
    the mark and the level on the picture, as shares of its width and height."""

    id = models.UUIDField(primary_key=True)
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="photos")
    look = models.UUIDField(null=True)
    at = models.DateTimeField()
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    points = models.JSONField(null=True)
    added_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")
    added_at = models.DateTimeField()
    withdrawn_at = models.DateTimeField(null=True)

    class Meta:
        indexes = (models.Index(fields=["jar", "at"]),)
