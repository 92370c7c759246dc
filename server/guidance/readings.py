"""What devices read at a jar: thermometers, each in the place where it stood then from when the jar came there, and
cameras."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import datetime
from uuid import UUID

from ferment.kitchen.warmth import Degrees
from ferment.record.log import Log, in_order
from ferment.record.terms import Moved
from kitchen.cards import JarCard, UnreadCard
from kitchen.services import keepers_of
from places.services import owners_of, warmth_of
from problems.stored import UnreadableError
from watching.services import glimpses_of

AnyCard = JarCard | UnreadCard


def with_readings(cards: Sequence[AnyCard], logs: Mapping[UUID, Log | UnreadableError], now: datetime) -> list[AnyCard]:
    """The cards with the readings of every place that their logs name, in a fixed number of queries.

    A thermometer whose owner keeps the jar no more is read no more.
    """
    cards = _watched(cards)
    moves = {card.id: _moves(logs[card.id]) for card in cards}
    stations = {UUID(one.thermometer) for made in moves.values() for one in made if one.thermometer}
    if not any(moves.values()):
        return list(cards)
    warmth = warmth_of(stations, now) if stations else {}
    owners = owners_of(stations) if stations else {}
    keepers = keepers_of({card.kitchen_id for card in cards}) if stations else {}
    told = []
    for card in cards:
        kept_by = keepers.get(card.kitchen_id, frozenset())
        near = {station: read for station, read in warmth.items() if owners.get(station) in kept_by}
        told.append(_with(card, moves[card.id], near) if moves[card.id] else card)
    return told


def _watched(cards: Sequence[AnyCard]) -> list[AnyCard]:
    """The cards with what cameras read of their jars."""
    glimpses = glimpses_of([card.id for card in cards])
    return [
        replace(card, setup=replace(card.setup, glimpses=glimpses[card.id]))
        if card.id in glimpses and isinstance(card, JarCard)
        else card
        for card in cards
    ]


def stations_near(card: AnyCard, log: Log | UnreadableError) -> frozenset[UUID]:
    """Every thermometer that may be read at a jar."""
    moves = (UUID(one.thermometer) for one in _moves(log) if one.thermometer)
    return frozenset((*moves, *([card.thermometer] if isinstance(card, JarCard) and card.thermometer else [])))


def _moves(log: Log | UnreadableError) -> list[Moved]:
    return [] if isinstance(log, UnreadableError) else [one for one in in_order(log) if isinstance(one, Moved)]


def _with(card: AnyCard, moves: Sequence[Moved], warmth: Mapping[UUID, tuple[Degrees, ...]]) -> AnyCard:
    if isinstance(card, UnreadCard):
        return card
    readings = [one for one in card.setup.readings if one.at < moves[0].at]
    ends = [*(one.at for one in moves[1:]), None]
    for move, until in zip(moves, ends, strict=True):
        read = warmth.get(UUID(move.thermometer), ()) if move.thermometer else ()
        readings += [one for one in read if move.at <= one.at and (until is None or one.at < until)]
    return replace(card, setup=replace(card.setup, readings=tuple(readings)))
