"""What `deploy/` shows hangs together: every name that a file asks for is given by the file beside it."""

from __future__ import annotations

import re
from unittest import TestCase

import yaml

from launcher.place import ROOT

DEPLOY = ROOT / "deploy"
GIVEN = re.compile(r"^#?([A-Z][A-Z0-9_]*)=", re.MULTILINE)
ASKED = re.compile(r"\$\{([A-Z][A-Z0-9_]*)")


def read(name: str) -> str:
    return (DEPLOY / name).read_text(encoding="utf-8")


class Shown(TestCase):
    def test_the_proxies_are_told_all_they_ask_for(self) -> None:
        for config, told in (("door", "door"), ("database", "web")):
            asked = set(ASKED.findall(read(f"proxy/{config}.cfg").replace('"', "")))
            self.assertEqual(asked, set(GIVEN.findall(read(f"proxy/haproxy.{told}.env"))), config)

    def test_a_web_machine_is_told_nothing_that_nobody_reads(self) -> None:
        told = set(GIVEN.findall(read("web/web.env")))
        sources = [file.read_text(encoding="utf-8") for file in (ROOT / "server").rglob("*.py")]
        units = [file.read_text(encoding="utf-8") for file in (DEPLOY / "systemd").glob("*.service")]
        for name in told:
            if not name.startswith("AWS_"):
                self.assertTrue(any(name in text for text in (*sources, *units)), name)

    def test_the_containers_ask_for_what_is_there(self) -> None:
        told = yaml.safe_load(read("compose/compose.yaml"))
        services = told["services"]
        for name, service in services.items():
            needed = service.get("depends_on", [])
            self.assertLessEqual(set(needed), set(services), name)
            command = [*service["entrypoint"], *service.get("command", [])]
            for part in command:
                if str(part).startswith("/deploy/"):
                    self.assertTrue((DEPLOY / part.removeprefix("/deploy/")).is_file(), part)
                if str(part).startswith("/usr/lib/despertar/") and ".venv" not in part:
                    self.assertTrue((ROOT / part.removeprefix("/usr/lib/despertar/")).exists(), part)
        for config, name in (("door", "door"), ("database", "ways")):
            asked = set(ASKED.findall(read(f"proxy/{config}.cfg").replace('"', "")))
            self.assertEqual(asked, set(services[name]["environment"]), config)
        web = {name for name in services["web1"]["environment"] if name.startswith("DESPERTAR_")}
        shown = {name for name in GIVEN.findall(read("web/web.env")) if name.startswith("DESPERTAR_")}
        self.assertEqual(web, shown)
