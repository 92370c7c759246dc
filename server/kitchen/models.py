"""What the baker owns: a kitchen and its jars. How a jar is doing is computed, never stored."""

from __future__ import annotations

import secrets
import uuid

from django.conf import settings
from django.db import models


def first_revision() -> int:
    """Somewhere: a jar that is laid anew under the same id, as the demo's are, is never taken for the one before."""
    return secrets.randbelow(2**31)


class Kitchen(models.Model):
    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="kitchen")
    hours = models.JSONField(null=True)
    flours = models.JSONField(default=list)
    made_at = models.DateTimeField(auto_now_add=True)


class Hand(models.Model):
    """Another account that keeps a kitchen's jars with its owner."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    kitchen = models.ForeignKey(Kitchen, on_delete=models.CASCADE, related_name="hands")
    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="hands")
    since = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["kitchen", "account"], name="hand_once"),)


class Invitation(models.Model):
    """A code that lets one account into a kitchen once, for a few days. Only its hash is kept."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    kitchen = models.ForeignKey(Kitchen, on_delete=models.CASCADE, related_name="invitations")
    code_hash = models.CharField(max_length=64, unique=True, db_collation="utf8mb4_bin")
    ends_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True)


class Passage(models.Model):
    """Who came into a kitchen or went out of it, and by whom: by their names of then, which outlive their accounts."""

    kitchen = models.ForeignKey(Kitchen, on_delete=models.CASCADE, related_name="passages")
    at = models.DateTimeField()
    what = models.CharField(max_length=12)
    who = models.CharField(max_length=60)
    by = models.CharField(max_length=60)

    class Meta:
        indexes = (models.Index(fields=["kitchen", "at"]),)


class Jar(models.Model):
    """One starter and what was chosen for it. The id comes from the client, so that sending twice makes one."""

    id = models.UUIDField(primary_key=True)
    kitchen = models.ForeignKey(Kitchen, on_delete=models.CASCADE, related_name="jars")
    name = models.CharField(max_length=60)
    family = models.CharField(max_length=60)
    method = models.JSONField(null=True)
    choices = models.JSONField()
    tare_g = models.FloatField()
    volume_ml = models.FloatField()
    height_mm = models.FloatField()
    flare = models.FloatField(default=1.0)
    scale_step = models.FloatField(null=True)
    size = models.FloatField(default=1.0)
    warmth_c = models.FloatField(default=22.0)
    night_c = models.FloatField(null=True)
    thermometer = models.UUIDField(null=True)
    ready_after = models.CharField(max_length=10, default="usual")
    # What the baker's earlier jars taught of it when it was planned.
    taught = models.JSONField(null=True)
    starts_at = models.DateTimeField()
    mother = models.ForeignKey("self", on_delete=models.SET_NULL, null=True, related_name="daughters")
    came_by = models.CharField(max_length=10, null=True)
    put_away_at = models.DateTimeField(null=True)
    # Counts what was written of it: its own row, its log, its photos. What is kept of a jar is kept by it.
    revision = models.PositiveIntegerField(default=first_revision)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = (models.Index(fields=["kitchen", "made_at"]),)
