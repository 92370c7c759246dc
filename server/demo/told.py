"""What the demo's baker wrote, in each language that is spoken: names of jars and flours, and notes."""

from __future__ import annotations

from collections.abc import Mapping

from accounts.languages import Language

_PORTUGUESE = {
    "Harbour": "Cais",
    "Moth": "Traça",
    "Lantern": "Lanterna",
    "Bellows": "Fole",
    "Quarry": "Pedreira",
    "Jetty": "Molhe",
    "All rye, or with half-white": "Só centeio, ou com semi-integral",
    "Ferry mill rye": "Centeio do moinho da barca",
    "Half-white from the market": "Semi-integral da feira",
    "Spelt, last year's": "Espelta do ano passado",
    "Spelt, new": "Espelta nova",
    "Plain white": "Branca corrente",
    "Green, at the rim. Left it too long.": "Verde, junto ao bordo. Deixei-o tempo demais.",
    "Two spelt loaves for the crew.": "Dois pães de espelta para a tripulação.",
}
_TOLD: Mapping[Language, Mapping[str, str]] = {Language.ENGLISH: {}, Language.PORTUGUESE: _PORTUGUESE}


def told(language: Language, text: str) -> str:
    """English text of the demo as its baker would have written it. Raises KeyError for one without translation."""
    return text if language is Language.ENGLISH or not text else _TOLD[language][text]
