"""Where the flour went: the balance closes to the gram, whatever is in the log."""

from __future__ import annotations

from datetime import timedelta
from unittest import TestCase

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from ferment.kitchen.flours import Flour, weight
from ferment.mixing.contents import Contents, Culture
from ferment.record.flows import Came, Went, flows_of, together
from ferment.record.ledger import replay
from ferment.record.log import Bin, DiscardTo, Entry, Feed, Log, PutBack, Use, UsedFor
from ferment.setups import Setup, course_of

from ..builders import START, VESSEL, feed, first_mix, hours, lot, lots

FLAKES = Culture((course_of(Setup("equal_parts", {}, VESSEL, START)).culture.blend), 0.0)


@st.composite
def logs(draw: st.DrawFn) -> Log:
    entries: list[Entry] = []
    for number in range(draw(st.integers(0, 12))):
        at = START + timedelta(hours=draw(st.floats(0.0, 400.0)))
        g = draw(st.floats(0.0, 900.0))
        match draw(st.sampled_from(("feed", "feed", "use", "put_back", "bin"))):
            case "feed":
                to = draw(st.none() | st.sampled_from(DiscardTo))
                entries.append(Feed(f"{number}", at, g, draw(lots), draw(st.floats(0.0, 900.0)), 1.0, None, 0.5, to))
            case "use":
                entries.append(Use(f"{number}", at, g, draw(st.sampled_from(UsedFor))))
            case "put_back":
                entries.append(PutBack(f"{number}", at, draw(lots), g))
            case _ if draw(st.integers(0, 5)) == 0:
                entries.append(Bin(f"{number}", at))
    return tuple(entries)


def held(what: Contents) -> dict[str, float]:
    """Every kind of thing that is in it, in grams."""
    return {"water": what.water_g, "salt": what.salt_g, **{part.flour.value: part.g for part in what.flours}}


class TheBalance(TestCase):
    @settings(max_examples=150, deadline=None, suppress_health_check=[HealthCheck.too_slow])
    @given(logs(), st.booleans())
    def test_what_came_is_what_went_and_what_is_left(self, log: Log, seeded: bool) -> None:  # noqa: FBT001
        flows = flows_of(log, FLAKES if seeded else None)
        came = held(together(one.what for one in flows.came))
        gone = held(together((*(one.what for one in flows.went), flows.left)))
        for what in came.keys() | gone.keys():
            self.assertAlmostEqual(came.get(what, 0.0), gone.get(what, 0.0), places=5, msg=what)

    @settings(max_examples=100, deadline=None, suppress_health_check=[HealthCheck.too_slow])
    @given(logs())
    def test_what_is_left_is_what_the_ledger_says(self, log: Log) -> None:
        ended = next((one.at for one in log if isinstance(one, Bin)), None)
        if ended is None:
            ledger = replay(VESSEL, log)
            self.assertAlmostEqual(flows_of(log).left.total_g, ledger.contents.total_g, places=5)


class WhereItWent(TestCase):
    def test_a_course_with_everything_in_it(self) -> None:
        """Worked by hand: 60 g mixed; 30 g to the compost; 20 g of dough; 10 g back; the rest binned."""
        log: Log = (
            first_mix(),
            Feed("fed", START + hours(24), 30.0, lot(rye=30.0), 30.0, 0.0, None, discard_to=DiscardTo.COMPOST),
            Use("dough", START + hours(30), 20.0, UsedFor.DOUGH),
            PutBack("back", START + hours(31), lot(white=5.0), 5.0),
            Bin("end", START + hours(50)),
        )
        flows = flows_of(log)
        self.assertEqual(
            [(one.went, round(one.what.total_g, 6)) for one in flows.went],
            [(Went.COMPOST, 30.0), (Went.DOUGH, 20.0), (Went.BINNED, 80.0)],
        )
        self.assertEqual([one.came for one in flows.came], [Came.FED, Came.FED, Came.PUT_BACK])
        self.assertEqual(flows.left.total_g, 0.0)

    def test_what_nobody_said_is_said_to_be_so(self) -> None:
        flows = flows_of((first_mix(), feed(24.0)))
        self.assertEqual([(one.went, one.what.total_g) for one in flows.went], [(Went.UNSAID, 30.0)])

    def test_flakes_bring_their_own_flour(self) -> None:
        flows = flows_of((feed(0.0, 10.0, 20.0, 30.0),), Culture(FLAKES.blend, 0.0))
        self.assertEqual([(one.came, one.what.total_g) for one in flows.came], [(Came.CULTURE, 10.0), (Came.FED, 50.0)])
        self.assertEqual(weight(flows.left.flours), 30.0)
        self.assertIn(Flour.WHITE, {part.flour for part in flows.left.flours})
