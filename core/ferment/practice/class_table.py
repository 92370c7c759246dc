"""The results of a class as a table: each judged anew, whatever was said of it elsewhere."""

from __future__ import annotations

import csv
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import fmean

from .judging import Opinion, Told, told
from .living import situation_named
from .terms import Handling, Made, SituationCode

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


def told_of(result: Result) -> Told:
    """Raises Refusal for acts or a seed that cannot be."""
    return told(situation_named(result.situation), result.seed, result.acts)


def class_csv(results: Sequence[Result]) -> str:
    """A row for each, below their names (RFC 4180). Raises Refusal for acts or a seed that cannot be."""
    lines = _Lines()
    writer = csv.writer(lines, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for one in results:
        writer.writerow(_row(one, told_of(one)))
    return "".join(lines)


class _Lines(list[str]):
    """What a table is written to."""

    def write(self, text: str) -> None:
        self.append(text)


def _row(one: Result, found: Told) -> list[object]:
    decisions = [made for made in found.decisions if made.what is not Handling.LOOK]
    looks = [made for made in found.decisions if made.what is Handling.LOOK]
    off = [abs(made.level - made.true_level) for made in looks if made.level is not None]
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
