"""`manage.py metrics --port N`: what all processes of the kitchen have counted, in the form of Prometheus."""

from __future__ import annotations

import threading
from collections.abc import Iterator
from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from django.db import DatabaseError, close_old_connections
from prometheus_client import CollectorRegistry, start_http_server
from prometheus_client.core import GaugeMetricFamily
from prometheus_client.multiprocess import MultiProcessCollector
from prometheus_client.registry import Collector

from accounts.services import count_accounts
from kitchen.services import count_jars
from logbook.services import count_entries


class Kept(Collector):
    """How much is kept, counted when it is asked for; nothing where the database does not answer."""

    def collect(self) -> Iterator[GaugeMetricFamily]:
        close_old_connections()
        try:
            counts = {"accounts": count_accounts(), "jars": count_jars(), "entries": count_entries()}
        except DatabaseError:
            return
        for name, count in counts.items():
            yield GaugeMetricFamily(f"despertar_{name}", f"{name.capitalize()} kept", value=count)


class Command(BaseCommand):
    help = "Serve the metrics of this kitchen on a port of their own."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--port", type=int, required=True)
        parser.add_argument("--address", default="127.0.0.1")

    def handle(self, *args: Any, **options: Any) -> None:
        registry = CollectorRegistry()
        MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
        registry.register(Kept())
        start_http_server(options["port"], options["address"], registry)
        threading.Event().wait()
