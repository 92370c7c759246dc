"""`manage.py prepare [--demo]`: the database as the code of today wants it, and the demo kitchen laid out."""

from __future__ import annotations

import os
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandParser
from django.utils import timezone

from accounts.languages import Language
from demo.services import hang_camera, hang_thermometer, lay_kitchen


class Command(BaseCommand):
    help = "Migrate the database; with --demo lay the demo kitchen."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--demo", action="store_true")

    def handle(self, *args: Any, **options: Any) -> None:
        call_command("migrate", interactive=False, verbosity=0)
        call_command("createcachetable", verbosity=0)
        if options["demo"]:
            laid = [lay_kitchen(timezone.now(), language) for language in Language]
            self.stdout.write("laid" if any(laid) else "kept as it was left")
            if token := os.environ.get("DESPERTAR_STANDIN_TOKEN"):
                hang_thermometer(token)
            if token := os.environ.get("DESPERTAR_CAMERA_TOKEN"):
                hang_camera(token, timezone.now())
