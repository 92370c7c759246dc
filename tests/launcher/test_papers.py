"""The papers name files that are there."""

from __future__ import annotations

import re
from unittest import TestCase

from launcher.place import ROOT

PAPERS = (*sorted(ROOT.glob("*.md")), *sorted((ROOT / "docs").rglob("*.md")))
LINK = re.compile(r"\]\(([^)#:]+)\)")
# A path in code marks that begins at a folder of the tree; `<page>` and `*` stand for any name.
PATH = re.compile(r"`((?:core|server|web|tests|launcher|standins|contract|docs|bench|requirements)/[^`\s]*)`")
# Where the papers shorten: relative to the core, or to the front end's sources.
SHORT = re.compile(
    r"`((?:record|mixing|protocol|planner|signs|verdicts|tracker|model|kitchen|methods|features|api|drawing)/[\w/-]+\.\w+)`"
)


class Papers(TestCase):
    def test_links_lead_somewhere(self) -> None:
        for paper in PAPERS:
            for target in LINK.findall(paper.read_text()):
                with self.subTest(paper=paper.name, target=target):
                    self.assertTrue((paper.parent / target).exists())

    def test_paths_are_there(self) -> None:
        found = 0
        for paper in PAPERS:
            text = paper.read_text()
            for path in PATH.findall(text):
                with self.subTest(paper=paper.name, path=path):
                    self.assertTrue(list(ROOT.glob(re.sub(r"<[^>]*>|…", "*", path).rstrip("/"))))
                    found += 1
            for path in SHORT.findall(text):
                with self.subTest(paper=paper.name, path=path):
                    self.assertTrue((ROOT / "core/ferment" / path).exists() or (ROOT / "web/src" / path).exists())
                    found += 1
        self.assertGreater(found, 50)
