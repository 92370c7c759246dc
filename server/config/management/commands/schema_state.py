"""`manage.py schema_state`: how the database stands to the code, as JSON; nothing is changed."""

from __future__ import annotations

import json
from typing import Any

from django.core.management.base import BaseCommand
from django.db import connection
from django.db.migrations.loader import MigrationLoader

from accounts.services import Account


class Command(BaseCommand):
    # Asked at every start before anything else: the checks would bring in the whole server for it.
    requires_system_checks = ()
    help = "Say which changes the database lacks, which it has that the code does not know, and whether it is empty."

    def handle(self, *args: Any, **options: Any) -> None:
        loader = MigrationLoader(connection)
        applied, known = set(loader.applied_migrations), set(loader.disk_migrations)
        replaced = {name for one in loader.disk_migrations.values() for name in one.replaces}
        tables = connection.introspection.table_names()
        empty = Account._meta.db_table not in tables or not Account.objects.exists()
        told = {"empty": empty, "behind": _named(known - applied), "ahead": _named(applied - known - replaced)}
        self.stdout.write(json.dumps(told))


def _named(migrations: set[tuple[str, str]]) -> list[str]:
    return sorted(f"{app}.{name}" for app, name in migrations)
