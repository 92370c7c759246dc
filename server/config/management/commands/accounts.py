"""`manage.py accounts list | lock NAME | unlock NAME | reset NAME`: for whoever keeps the house."""

from __future__ import annotations

from typing import Any
from urllib.parse import urlencode

from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.utils import timezone

from accounts.access import all_accounts, lock, new_link
from accounts.services import account_named


class Command(BaseCommand):
    help = "List the accounts; lock one, unlock it, or make a link by which its baker sets a new password."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("act", choices=("list", "lock", "unlock", "reset"))
        parser.add_argument("baker", nargs="?", default="")

    def handle(self, *args: Any, **options: Any) -> None:
        act = options["act"]
        if act == "list":
            for one in all_accounts():
                state = "demo" if one.is_demo else "" if one.is_active else "locked"
                self.stdout.write(f"{one.made_at:%Y-%m-%d}  {one.name}  {state}".rstrip())
            return
        account = account_named(options["baker"])
        if account is None or account.is_demo:
            raise CommandError(f"There is no baker named {options['baker'] or '(give a name)'} here.")
        if act == "reset":
            asked = urlencode({"name": account.name, "code": new_link(account, timezone.now())})
            self.stdout.write(f"Within a day, once: open /recover?{asked}")
            return
        lock(account, locked=act == "lock")
        self.stdout.write(f"{account.name} is {act}ed.")
