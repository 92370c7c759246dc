"""Every setting that is read somewhere stands in the house's papers."""

from __future__ import annotations

import re
from unittest import TestCase

from launcher.place import ROOT

READ = re.compile(r"DESPERTAR_[A-Z_]+[A-Z]")


class Settings(TestCase):
    def test_each_is_told(self) -> None:
        sources = [file for folder in ("server", "launcher", "standins") for file in (ROOT / folder).rglob("*.py")]
        read = {name for file in sources for name in READ.findall(file.read_text(encoding="utf-8"))}
        told = set(READ.findall((ROOT / "docs" / "keeping-a-house.md").read_text(encoding="utf-8")))
        self.assertEqual(sorted(read - told), [])
        # And none is told that nobody reads any more.
        vite = (ROOT / "web" / "vite.config.ts").read_text() + (ROOT / "web" / "build" / "language.ts").read_text()
        self.assertEqual(sorted(told - read - set(READ.findall(vite))), [])
