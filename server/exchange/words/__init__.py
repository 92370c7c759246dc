"""What leaves the application on paper or as a calendar, in words: there is no interface around it to say them.

A language is a module beside `en`, listed here.
"""

from collections.abc import Mapping

from accounts.languages import Language

from . import en, pt
from .kinds import Card, Words

__all__ = ["WORDS", "Card", "Words"]

WORDS: Mapping[Language, Words] = {Language.ENGLISH: en, Language.PORTUGUESE: pt}
