"""`manage.py sound`: whether every kitchen can be told as it is kept; what an upgrade is held against."""

from __future__ import annotations

import json
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from django.utils import timezone

from accounts.access import all_accounts
from guidance.services import kitchen_now, planned_kitchen
from pantry.services import discard_now
from trials.services import trials_of


class Command(BaseCommand):
    help = "Tell every kitchen once; fails where one cannot be told."

    def handle(self, *args: Any, **options: Any) -> None:
        now, told, unread, broken = timezone.now(), 0, 0, []
        for account in all_accounts():
            try:
                kitchen = kitchen_now(account, now)
                planned_kitchen(account, now)
                discard_now(account, now)
                trials_of(account)
            except Exception as error:
                broken.append(f"{type(error).__name__}: {error}"[:200])
                continue
            told += len(kitchen.jars)
            # One jar that cannot be read says so on its own page, and takes no other with it.
            unread += len(kitchen.unread)
        self.stdout.write(json.dumps({"told": told, "unread": unread, "broken": len(broken)}))
        if broken:
            raise CommandError("; ".join(broken[:3]))
