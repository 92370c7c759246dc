"""The words that only English says: those of the English texts that no Portuguese text has."""

from __future__ import annotations

import re
from pathlib import Path

WEB = Path(__file__).resolve().parents[2] / "web" / "src"
_COMMENTS = re.compile(r"/\*.*?\*/|^\s*//.*?$|^import .*?;$", re.DOTALL | re.MULTILINE)
_TEXTS = re.compile(r'"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`', re.DOTALL)
_PART = re.compile(r"\$\{[^{}]*\}")
_WORD = re.compile(r"[^\W\d_]{3,}")


def words_in(text: str) -> set[str]:
    """Words of three letters and more, whatever their case."""
    return {word.lower() for word in _WORD.findall(text)}


def _texts(language: str) -> set[str]:
    """Every text between quotes in a language's words, without the parts that are filled in."""
    files = [*(WEB / "words" / language).glob("*.ts"), WEB / "lib" / "locales" / f"{language}.ts"]
    sources = [_COMMENTS.sub("", one.read_text(encoding="utf-8")) for one in files if ".test." not in one.name]
    return {_PART.sub(" ", plain or template) for one in sources for plain, template in _TEXTS.findall(one)}


def only_english() -> set[str]:
    english, portuguese = _texts("en"), _texts("pt")
    # What both hold to the letter is a code of the core's, a sign or a name, no word of either.
    return _words(english - portuguese) - _words(portuguese - english)


def _words(texts: set[str]) -> set[str]:
    return set().union(*map(words_in, texts))
