"""`manage.py camera_course`: how the demo's watched jar goes, for the stand-in camera; nothing where there is none."""

from __future__ import annotations

from typing import Any

from django.core.management.base import BaseCommand
from django.utils import timezone

from demo.services import camera_course


class Command(BaseCommand):
    help = "The course of the demo's watched jar, as JSON."

    def handle(self, *args: Any, **options: Any) -> None:
        self.stdout.write(camera_course(timezone.now()) or "")
