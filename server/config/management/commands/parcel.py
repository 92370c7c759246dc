"""`manage.py parcel out NAME FILE` and `manage.py parcel in NAME FILE`: a baker's kitchen as a file, and back."""

from __future__ import annotations

import shutil
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.utils import timezone

from accounts.services import account_named
from parcel.services import PHOTOS_AT_ONCE, Form, pack, take_in, take_in_photos
from problems import Problem


class Command(BaseCommand):
    help = "Write all that a baker owns to a file (.zip or .json), or take such a file in."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("way", choices=("out", "in"))
        parser.add_argument("baker")
        parser.add_argument("file", type=Path)
        parser.add_argument("--without-photos", action="store_true")

    def handle(self, *args: Any, **options: Any) -> None:
        account = account_named(options["baker"])
        if account is None:
            raise CommandError(f"There is no baker named {options['baker']} here.")
        file: Path = options["file"]
        if options["way"] == "out":
            form = Form.DOCUMENT if file.suffix == ".json" else Form.PACKAGE
            half = file.with_name(f"{file.name}.part")
            with pack(account, form, timezone.now(), with_photos=not options["without_photos"]) as packed:
                half.touch(mode=0o600)
                with half.open("wb") as out:
                    shutil.copyfileobj(packed, out)
            half.replace(file)
            self.stdout.write(f"{file}, {file.stat().st_size / 1e6:.1f} MB")
            return
        try:
            with file.open("rb") as packed:
                told = take_in(account, packed, timezone.now())
                self.stdout.write(f"{told.jars} jars, {told.entries} entries, {told.readings} readings are new here.")
                done = 0
                while told.photos:
                    packed.seek(0)
                    found = take_in_photos(account, packed, timezone.now(), done, PHOTOS_AT_ONCE)
                    done = found.done
                    self.stdout.write(f"{done} of {found.of} photos")
                    if done >= found.of:
                        break
        except OSError as error:
            raise CommandError(f"{file} cannot be read: {error.strerror}") from error
        except Problem as problem:
            told_facts = ", ".join(f"{name} {value}" for name, value in problem.facts.items())
            raise CommandError(f"Nothing was taken in: {problem.code.replace('_', ' ')} ({told_facts}).") from problem
