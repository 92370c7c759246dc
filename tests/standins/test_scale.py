"""The simulated scale: what it shows, and the interface that docs/devices.md tells of."""

from __future__ import annotations

import json
import urllib.error
import urllib.request
from http.client import HTTPResponse
from typing import Any
from unittest import TestCase

from standins.scale.__main__ import serve
from standins.scale.cell import Cell

HERE = "http://127.0.0.1:5173"


def settled(cell: Cell) -> tuple[float, float, bool]:
    for _ in range(8):
        shown = cell.sample(0.1)
    return shown.grams, shown.zeroed_g, shown.stable


class TheCell(TestCase):
    def test_it_shows_what_lies_on_it_in_its_steps(self) -> None:
        cell = Cell()
        cell.put(254.4)
        for step, shows in ((1.0, 254.0), (5.0, 255.0), (0.1, 254.4)):
            cell.step_g = step
            self.assertEqual(settled(cell), (shows, 0.0, True))

    def test_zeroed_it_says_what_was_zeroed_away(self) -> None:
        cell = Cell()
        cell.put(214)
        cell.tare()
        cell.put(40)
        self.assertEqual(settled(cell), (40.0, 214.0, True))

    def test_it_is_unsteady_while_pouring_and_steady_after(self) -> None:
        cell = Cell()
        cell.pours_g_per_s = 20.0
        self.assertFalse(cell.sample(0.1).stable)
        self.assertFalse(cell.sample(0.1).stable)
        cell.pours_g_per_s = 0.0
        self.assertTrue(settled(cell)[2])

    def test_drift_creeps_and_jitter_trembles_the_same_for_the_same_seed(self) -> None:
        drifting = Cell()
        drifting.drifts = True
        for _ in range(100):
            shown = drifting.sample(1.0)
        self.assertEqual(shown.grams, 5.0)

        def trembling() -> list[float]:
            cell = Cell(seed=3)
            cell.jitters = True
            return [cell.sample(0.1).grams for _ in range(20)]

        self.assertEqual(trembling(), trembling())
        self.assertGreater(len(set(trembling())), 1)

    def test_nothing_weighs_less_than_nothing(self) -> None:
        cell = Cell()
        cell.put(-30)
        self.assertEqual(settled(cell)[0], 0.0)


class TheInterface(TestCase):
    def setUp(self) -> None:
        self.server = serve(0)
        self.addCleanup(self.server.server_close)
        self.addCleanup(self.server.shutdown)
        self.address = f"http://127.0.0.1:{self.server.server_address[1]}"

    def call(self, path: str, body: object = None, origin: str | None = None) -> HTTPResponse:
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(self.address + path, data, {"Origin": origin} if origin else {})
        answer: HTTPResponse = urllib.request.urlopen(request, timeout=5)
        return answer

    def json(self, path: str, body: object = None) -> Any:
        with self.call(path, body) as answer:
            return json.load(answer)

    def refused(self, path: str, body: object = None, origin: str | None = None) -> int:
        with self.assertRaises(urllib.error.HTTPError) as error:
            self.call(path, body, origin)
        error.exception.close()
        return error.exception.code

    def live(self, wanted: float) -> dict[str, Any]:
        """The first reading of so many grams that the stream tells."""
        with self.call("/live", origin=HERE) as stream:
            self.assertEqual(stream.headers["Access-Control-Allow-Origin"], HERE)
            for line in stream:
                if line.startswith(b"data: {") and json.loads(line[6:])["grams"] == wanted:
                    told: dict[str, Any] = json.loads(line[6:])
                    return told
        raise AssertionError("the stream ended")

    def test_readings_come_as_they_change(self) -> None:
        self.json("/hands", {"put_g": 254})
        told = self.live(254.0)
        self.assertEqual(set(told), {"grams", "zeroed_g", "stable", "step_g"})
        self.json("/tare", {})
        self.assertEqual(self.live(0.0)["zeroed_g"], 254.0)

    def test_unplugged_it_says_so(self) -> None:
        self.json("/hands", {"plugged": False})
        self.assertEqual(self.refused("/reading"), 503)
        with self.call("/live") as stream:
            self.assertEqual(stream.readline(), b"event: unplugged\n")

    def test_no_other_page_moves_it_and_no_hand_does_nonsense(self) -> None:
        self.assertEqual(self.refused("/tare", {}, "https://example.org"), 403)
        self.assertEqual(self.refused("/hands", {"step_g": 2}), 422)
        with self.call("/reading", origin="https://example.org") as answer:
            self.assertIsNone(answer.headers["Access-Control-Allow-Origin"])

    def test_it_has_a_page(self) -> None:
        with self.call("/") as answer:
            self.assertIn(b"Simulated scale", answer.read())
