"""A practice jar as it is lived and as it is judged; the results of a class."""

from __future__ import annotations

import csv
import io
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from statistics import fmean
from uuid import UUID

from accounts.services import Account
from ferment.practice.judging import Opinion, Told, told
from ferment.practice.living import Lived, live, situation_named
from ferment.practice.otherwise import BesideWhatWas, Supposed, beside
from ferment.practice.terms import Handling, Made, SituationCode
from guidance.services import read_through

# So many results are judged at once.
MOST_RESULTS = 60
COLUMNS = (
    "name",
    "situation",
    "seed",
    "ending",
    "well",
    "acts",
    "looks",
    "level_off",
    "meanings_said",
    "meanings_right",
    "liked",
    "not_liked",
    "unsure",
)


@dataclass(frozen=True)
class Result:
    """What one of a class did."""

    name: str
    situation: SituationCode
    seed: int
    acts: tuple[Made, ...]


def lived(situation: SituationCode, seed: int, acts: Sequence[Made]) -> Lived:
    """Raises Refusal for acts or a seed that cannot be."""
    return live(situation_named(situation), seed, acts)


def judged(situation: SituationCode, seed: int, acts: Sequence[Made]) -> Told:
    """Raises Refusal as `lived` does."""
    return told(situation_named(situation), seed, acts)


def otherwise(account: Account, jar_id: UUID, entry: UUID, supposed: Supposed, now: datetime) -> BesideWhatWas:
    """What a jar of the kitchen might have become; it is only told. Raises Problem for one out of reach, Refusal for
    what cannot be supposed."""
    setup, log = read_through(account, jar_id, now)
    return beside(setup, log, str(entry), supposed, now)


def class_csv(results: Sequence[Result]) -> str:
    """A row for each: judged anew here, whatever was said of it elsewhere. Raises Refusal as `lived` does."""
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for one in results:
        writer.writerow(_row(one, judged(one.situation, one.seed, one.acts)))
    return out.getvalue()


def _row(one: Result, found: Told) -> list[object]:
    decisions = [made for made in found.decisions if made.act.what is not Handling.LOOK]
    looks = [made for made in found.decisions if made.act.what is Handling.LOOK]
    off = [abs(made.act.level - made.true_level) for made in looks if made.act.level is not None]
    said = [made.meant_rightly for made in looks if made.meant_rightly is not None]
    opinions = [made.opinion for made in decisions]
    return [
        _plain(one.name),
        one.situation,
        one.seed,
        found.ending,
        found.is_good,
        len(decisions),
        len(looks),
        round(fmean(off), 3) if off else "",
        len(said),
        sum(said),
        *(opinions.count(opinion) for opinion in (Opinion.LIKED, Opinion.NOT_LIKED, Opinion.UNSURE)),
    ]


def _plain(name: str) -> str:
    """A name comes from others' files: no spreadsheet shall take it for a formula."""
    return f"'{name}" if name[:1] in "=+-@\t\r" else name
