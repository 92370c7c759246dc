"""Who owns a kitchen."""

from __future__ import annotations

import uuid

from django.contrib.auth.base_user import AbstractBaseUser, BaseUserManager
from django.db import models


class Account(AbstractBaseUser):
    """A baker. The name signs in and is unique whatever its case or accents; no address is asked for."""

    name = models.CharField(max_length=60, unique=True)
    time_zone = models.CharField(max_length=64)
    # Where the baker was before, each zone with the moment until which it held.
    earlier_zones = models.JSONField(default=list)
    # In which forms the baker reads and types; what is not said is as it was.
    forms = models.JSONField(default=dict)
    # In which language; empty where the browser's is as good.
    language = models.CharField(max_length=8, blank=True)
    is_demo = models.BooleanField(default=False)
    wants_reminders = models.BooleanField(default=True)
    is_active = models.BooleanField(default=True)
    made_at = models.DateTimeField(auto_now_add=True)

    objects = BaseUserManager["Account"]()

    USERNAME_FIELD = "name"

    def __str__(self) -> str:
        return self.name


class Heard(models.Model):
    """A caution that a baker has read and acknowledged; it is not said again."""

    account = models.ForeignKey(Account, on_delete=models.CASCADE, related_name="heard")
    notice = models.CharField(max_length=40)
    at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["account", "notice"], name="heard_once"),)


class Visit(models.Model):
    """One place where an account is signed in: its session, and when it was last seen, to some minutes."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    account = models.ForeignKey(Account, on_delete=models.CASCADE, related_name="visits")
    session = models.CharField(max_length=40, unique=True)
    on_phone = models.BooleanField()
    since = models.DateTimeField()
    seen_at = models.DateTimeField()


class Recovery(models.Model):
    """A code by which an account can be come into once: one on paper, without end, and one for a day. Only its hash is
    kept."""

    account = models.ForeignKey(Account, on_delete=models.CASCADE, related_name="recoveries")
    code_hash = models.CharField(max_length=64, unique=True, db_collation="utf8mb4_bin")
    made_at = models.DateTimeField()
    ends_at = models.DateTimeField(null=True)


class Passkey(models.Model):
    """The public half of a key that a device keeps."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4)
    account = models.ForeignKey(Account, on_delete=models.CASCADE, related_name="passkeys")
    name = models.CharField(max_length=60)
    # Its id may be longer than what an index takes: it is found by its hash.
    credential = models.TextField()
    credential_hash = models.CharField(max_length=64, unique=True, db_collation="ascii_bin")
    public_key = models.BinaryField()
    sign_count = models.PositiveBigIntegerField()
    made_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True)
