"""The words that only English says: those of the English texts that no Portuguese text has."""

from __future__ import annotations

import re
from pathlib import Path

WORDS = Path(__file__).resolve().parents[2] / "web" / "src"
_COMMENTS = re.compile(r"/\*.*?\*/|^\s*//.*?$|^import .*?;$", re.DOTALL | re.MULTILINE)
_TEXTS = re.compile(r'"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`', re.DOTALL)
_PART = re.compile(r"\$\{[^{}]*\}")
_WORD = re.compile(r"[^\W\d_]{3,}")


def words_in(text: str) -> set[str]:
    """Words of three letters and more, whatever their case."""
    return {word.lower() for word in _WORD.findall(text)}


def _said(language: str) -> set[str]:
    found: set[str] = set()
    files = [*(WORDS / "words" / language).glob("*.ts"), WORDS / "lib" / "locales" / f"{language}.ts"]
    for file in files:
        if file.name.endswith(".test.ts"):
            continue
        for plain, template in _TEXTS.findall(_COMMENTS.sub("", file.read_text(encoding="utf-8"))):
            found |= words_in(_PART.sub(" ", plain or template))
    return found


def only_english() -> set[str]:
    return _said("en") - _said("pt")
