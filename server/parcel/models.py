"""A parcel that is on its way, in parts: one an account, known to every machine that a part may come to."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Incoming(models.Model):
    account = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, primary_key=True)
    parcel = models.UUIDField()
    begun_at = models.DateTimeField()
    # The bytes of each part that is here, in their order.
    parts = models.JSONField(default=list)
