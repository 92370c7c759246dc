"""Cameras before jars and their pictures; the pictures themselves lie in files of their own."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Camera(models.Model):
    """One camera before one jar. `lines` are where the jar stands in its pictures, None until the baker has shown it;
    `right` and `down` are by how many pixels it was set down elsewhere since. Only a hash of its token is kept."""

    id = models.UUIDField(primary_key=True)
    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="cameras")
    kind = models.CharField(max_length=8)
    every_min = models.FloatField(default=5.0)
    token_hash = models.CharField(max_length=64, unique=True, null=True, db_collation="utf8mb4_bin")
    lines = models.JSONField(null=True)
    right = models.IntegerField(default=0)
    down = models.IntegerField(default=0)
    made_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")
    made_at = models.DateTimeField()
    withdrawn_at = models.DateTimeField(null=True)


class Notice(models.Model):
    """That a feed doubled, peaked or came near the rim before a camera: once each; `told_at` is when it was noticed."""

    jar = models.ForeignKey("kitchen.Jar", on_delete=models.CASCADE, related_name="notices")
    feed = models.UUIDField()
    what = models.CharField(max_length=10)
    at = models.DateTimeField()
    times = models.FloatField()
    told_at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["jar", "feed", "what"], name="a_moment_once"),)
        indexes = (models.Index(fields=["jar", "told_at"]),)


class Picture(models.Model):
    """A picture and what was read off it: a level with its error (× the line), or why not.

    `feed` is the feed that it belongs to, `starts` whether later ones of that feed are held against it, with where the
    paste stood then and where the jar stood in it. `likely` and `belief` are what it says of each level, and what was
    believed after it, as 32-bit floats: they are there as long as pictures after it may change what it says. `tells` is
    one in twenty minutes, for those who need no more. `size` is 0 once its file is gone.
    """

    camera = models.ForeignKey(Camera, on_delete=models.CASCADE, related_name="pictures")
    at = models.DateTimeField()
    feed = models.UUIDField(null=True)
    starts = models.BooleanField(default=False)
    stood = models.FloatField(null=True)
    lines = models.JSONField(null=True)
    cause = models.CharField(max_length=10, null=True)
    level = models.FloatField(null=True)
    error = models.FloatField(null=True)
    high = models.FloatField(default=1.0)
    likely = models.BinaryField(null=True)
    belief = models.BinaryField(null=True)
    tells = models.BooleanField(default=False)
    size = models.PositiveIntegerField(default=0)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["camera", "at"], name="picture_once"),)
        indexes = (models.Index(fields=["camera", "feed", "at"]),)
