"""A baker's own spreadsheet: columns matched, dates and commas of either side, faults by row, kept and undone whole."""

from __future__ import annotations

import io
import json
from datetime import date, datetime, time, timedelta
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import SimpleTestCase, TestCase
from django.utils import timezone
from openpyxl import Workbook

from logbook.models import Entry
from parcel.forms.spreadsheet import DateOrder, Matched, NotASheetError, Part, cells_of, guessed, moment_in, number_in

from .base import Baker, ago

CSV = """Data;Hora;O que;Altura mm;Temp;Nota
{day}/{month}/{year};08:00;mistura 30 g;;21,5;começo
{day}/{month}/{year};14h30;vista;42,5;;bolhas
{day}/{month}/{year};15:00;vista;muito;;
;16:00;vista;50;;
"""


def wall(hour: int, minute: int) -> datetime:
    """A moment of one day as a clock on the wall shows it."""
    return datetime.combine(date(2026, 3, 4), time(hour, minute))


class Reading(SimpleTestCase):
    def test_numbers_as_bakers_write_them(self) -> None:
        for written, meant in (
            ("1,8", 1.8),
            ("1.8 x", 1.8),
            ("120 g", 120.0),
            ("1.234,5", 1234.5),
            ("1,234.5", 1234.5),
            ("-2", -2.0),
            (3.5, 3.5),
            ("", None),
            (None, None),
        ):
            self.assertEqual(number_in(written), meant, written)
        with self.assertRaises(ValueError):
            number_in("a lot")

    def test_dates_and_times_of_either_side(self) -> None:
        columns = {Part.DATE: 0, Part.TIME: 1}
        for order, written, hour, meant in (
            (DateOrder.DMY, "04/03/2026", "14:30", wall(14, 30)),
            (DateOrder.MDY, "3/4/26", "2:30 pm", wall(14, 30)),
            (DateOrder.DMY, "2026-03-04", "14h30", wall(14, 30)),
            (DateOrder.YMD, "2026.03.04", "12:05 am", wall(0, 5)),
            (DateOrder.DMY, date(2026, 3, 4), time(14, 30), wall(14, 30)),
            (DateOrder.DMY, wall(0, 0), 0.604166667, wall(14, 30)),
        ):
            self.assertEqual(moment_in([written, hour], Matched(columns, order)), meant)
        for wrong in (["32/13/2026", "8:00"], ["soon", "8:00"], ["04/03/2026", "late"]):
            with self.assertRaises(ValueError):
                moment_in(wrong, Matched(columns))

    def test_the_order_of_dates_is_told_by_one_that_is_clear(self) -> None:
        for texts, order in (
            (["03/04/2026", "25/04/2026"], DateOrder.DMY),
            (["03/04/2026", "04/25/2026"], DateOrder.MDY),
            (["2026-04-25"], DateOrder.YMD),
            (["03/04/2026"], DateOrder.DMY),
        ):
            self.assertEqual(guessed(["Date"], [[text] for text in texts]).dates, order)

    def test_what_is_no_sheet(self) -> None:
        for data in (b"", b"PK\x03\x04 and so on", b"\x00\x01\x02"):
            with self.assertRaises(NotASheetError):
                cells_of(data)


class IntoAJar(TestCase):
    def setUp(self) -> None:
        self.baker = Baker("Ines").sign_up().always_home()
        self.baker.plan(name="Moth", starts_at=ago(72.0))
        self.path = f"/api/jars/{self.baker.jar_id}/spreadsheet"
        self.day = timezone.localdate(timezone.now() - timedelta(days=2))

    def send(self, data: bytes, how: dict[str, Any] | None = None, act: str = "") -> tuple[int, Any]:
        body = {"file": SimpleUploadedFile("sheet", data), "how": json.dumps(how) if how else ""}
        answer = self.baker.client.post(f"{self.path}{act}", body)
        return answer.status_code, answer.json()

    def csv(self) -> bytes:
        return CSV.format(day=f"{self.day.day:02}", month=f"{self.day.month:02}", year=self.day.year).encode()

    def test_it_is_shown_kept_and_undone(self) -> None:
        status, found = self.send(self.csv())
        self.assertEqual(status, 200)
        self.assertEqual(found["heads"], ["Data", "Hora", "O que", "Altura mm", "Temp", "Nota"])
        how = found["how"]
        self.assertEqual(how["columns"], {"date": 0, "time": 1, "what": 2, "level": 3, "warmth": 4, "note": 5})
        self.assertEqual((how["level"], how["flour"]), ("mm", "spelt"))
        how |= {"flour": "rye", "dates": "dmy"}
        status, found = self.send(self.csv(), how)
        rows = {row["row"]: row for row in found["rows"]}
        self.assertEqual(rows[2]["entry"]["kind"], "feed")
        self.assertEqual(rows[4]["problem"]["facts"], {"expected": "a number"})
        self.assertEqual((rows[4]["problem"]["field"], rows[5]["problem"]["field"]), ("level", "date"))
        self.assertEqual(Entry.objects.count(), 0)

    def test_a_workbook_with_grams(self) -> None:
        book = Workbook()
        sheet = book.active
        assert sheet is not None
        sheet.append(["Date", "Time", "What", "Kept g", "Flour g", "Water g", "Level", "Temp F", "pH", "Note"])
        day = datetime.combine(self.day, time())
        sheet.append([day, time(8, 0), "mix", None, 30, 30, None, None, None, "first"])
        sheet.append([day, time(20, 0), "look", None, None, None, 1.4, 70, 4.5, None])
        sheet.append([day, time(21, 0), "feed", 30, 30, 30, None, None, None, None])
        out = io.BytesIO()
        book.save(out)
        status, found = self.send(out.getvalue())
        self.assertEqual((status, [row["problem"] for row in found["rows"]]), (200, [None] * 3))
        how = {**found["how"], "flour": "rye", "warmth": "f"}
        status, kept = self.send(out.getvalue(), how, "/keep")
        self.assertEqual((status, len(kept["entries"])), (200, 3))
        jar = self.baker.jar()
        self.assertEqual(jar["assessment"]["totals"]["feeds"], 2)
        look = Entry.objects.get(kind="look").body
        self.assertEqual((look["celsius"], look["ph"], look["level"]), (21.11, 4.5, {"value": 1.4, "unit": "times"}))
        # Twice in makes it once.
        self.assertEqual(self.send(out.getvalue(), how, "/keep")[1]["entries"], [])
        self.assertTrue(all(row["there"] for row in self.send(out.getvalue(), how)[1]["rows"]))
        undone = self.baker.ok("POST", "/api/spreadsheet/undo", {"entries": kept["entries"]})
        self.assertEqual((undone, Entry.objects.filter(withdrawn_at=None).count()), ({"undone": 3}, 0))
        self.assertEqual(self.baker.jar()["assessment"]["totals"]["feeds"], 0)

    def test_what_the_log_does_not_take_says_why_and_the_rest_is_kept(self) -> None:
        lines = ["date,time,what,flour,water,level"]
        lines += [f"{self.day},08:00,mix,30,30,", f"{self.day},12:00,look,,,1.2", "2031-01-01,08:00,look,,,2"]
        data = "\n".join(lines).encode()
        how = {**self.send(data)[1]["how"], "flour": "rye"}
        rows = self.send(data, how)[1]["rows"]
        self.assertEqual([row["problem"] and row["problem"]["code"] for row in rows], [None, None, "in_the_future"])
        self.assertEqual(len(self.send(data, how, "/keep")[1]["entries"]), 2)

    def test_it_is_refused_where_it_is_none_or_not_theirs(self) -> None:
        status, told = self.send(b"\x00\x01")
        self.assertEqual((status, told["errors"][0]["code"]), (422, "not_a_sheet"))
        status, told = self.send(self.csv(), {"columns": "all"})
        self.assertEqual((status, told["errors"][0]["field"]), (422, "how"))
        other = Baker("Noor").sign_up()
        answer = other.client.post(self.path, {"file": SimpleUploadedFile("sheet", self.csv())})
        self.assertEqual(answer.status_code, 404)
