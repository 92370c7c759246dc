"""The private address under which a kitchen's calendar can be subscribed to."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class CalendarKey(models.Model):
    """One address an account; a new one ends the old. Only a hash of its token is kept."""

    account = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="calendar_key")
    token_hash = models.CharField(max_length=64, unique=True, db_collation="utf8mb4_bin")
    made_at = models.DateTimeField(auto_now=True)


class SharedJar(models.Model):
    """A page of one jar that whoever knows its address may read. One a jar; a new one ends the old. Only a hash of its
    token is kept."""

    jar = models.OneToOneField("kitchen.Jar", on_delete=models.CASCADE, related_name="+")
    shared_by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    token_hash = models.CharField(max_length=64, unique=True, db_collation="utf8mb4_bin")
    made_at = models.DateTimeField(auto_now=True)
