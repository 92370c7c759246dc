"""`manage.py remind [--every 60]`: sends due reminders to the postbox, once or again and again."""

from __future__ import annotations

import logging
import threading
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from django.db import OperationalError, close_old_connections
from django.utils import timezone

from reminders.services import remind_all

log = logging.getLogger("despertar.reminders")


class Command(BaseCommand):
    help = "Send due reminders to the postbox."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument(
            "--beat", type=Path, help="a file that is touched after every round, to tell that they live"
        )
        parser.add_argument("--every", type=float, default=0.0, help="seconds; 0: once")

    def handle(self, *args: Any, **options: Any) -> None:
        rest = threading.Event()
        while True:
            close_old_connections()
            try:
                remind_all(timezone.now())
                if options["beat"]:
                    options["beat"].touch()
            except OperationalError as error:
                # The launcher brings the database back; what is due then is sent then.
                log.error("nobody could be reminded: %s", error)
            if not options["every"] or rest.wait(options["every"]):
                return
