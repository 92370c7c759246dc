"""Paper: a sheet for the fridge door with the days to come, and labels to cut out, with a code that opens the jar."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from io import BytesIO
from pathlib import Path

from reportlab.graphics.barcode.qr import QrCodeWidget
from reportlab.graphics.shapes import Drawing
from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.units import mm
from reportlab.lib.utils import simpleSplit
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

from accounts.forms import Forms, Paper
from ferment.planner import Step

from ..services import JarPlan
from ..words import Card, Words

# Latin, Greek, Cyrillic and more, so that a jar keeps its name on paper; from Debian's fonts-dejavu-core.
FONTS = Path("/usr/share/fonts/truetype/dejavu")
BODY, BOLD = "DejaVuSans", "DejaVuSans-Bold"
INK, SOFT, CRUST = HexColor("#2a211a"), HexColor("#655646"), HexColor("#96461a")
MARGIN = 18 * mm
LINE, SMALL_LINE, WRITTEN = 5 * mm, 4 * mm, 12 * mm
LABELS_ACROSS, LABELS_DOWN = 2, 4


SIZES = {Paper.A4: A4, Paper.LETTER: LETTER}


def _size(forms: Forms) -> tuple[float, float]:
    return SIZES[forms.paper]


def _canvas(title: str, forms: Forms) -> tuple[Canvas, BytesIO]:
    for name in (BODY, BOLD):
        if name not in pdfmetrics.getRegisteredFontNames():
            pdfmetrics.registerFont(TTFont(name, FONTS / f"{name}.ttf"))
    out = BytesIO()
    canvas = Canvas(out, pagesize=_size(forms), pageCompression=1)
    canvas.setTitle(title)
    canvas.setAuthor("Despertar")
    return canvas, out


def _cut(canvas: Canvas, text: str, font: str, size: float, width: float) -> str:
    """As much of a text as its room holds."""
    if canvas.stringWidth(text, font, size) <= width:
        return text
    while text and canvas.stringWidth(f"{text}…", font, size) > width:
        text = text[:-1]
    return f"{text}…"


def sheet(plan: JarPlan) -> bytes:
    """The days to come on one page or more: when, what, how much, a box to tick, what is normal then."""
    canvas, out = _canvas(plan.words.sheet_title(plan.name), plan.forms)
    ahead = plan.ahead
    page = 0
    top = _sheet_head(canvas, plan, page)
    for step in ahead:
        row = _Row.of(plan, step)
        if top < MARGIN + row.tall:
            canvas.showPage()
            page += 1
            top = _sheet_head(canvas, plan, page)
        _sheet_row(canvas, plan, step, row, top)
        top -= row.tall
    if not ahead:
        canvas.setFont(BODY, 12)
        canvas.drawString(MARGIN, top - 6 * mm, plan.words.NOTHING_PLANNED)
    canvas.save()
    return out.getvalue()


def _sheet_head(canvas: Canvas, plan: JarPlan, page: int) -> float:
    width, height = _size(plan.forms)
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 24)
    canvas.drawString(MARGIN, height - MARGIN - 6 * mm, _cut(canvas, plan.name, BOLD, 24, width - 2 * MARGIN - 78 * mm))
    canvas.setFont(BODY, 10)
    canvas.setFillColor(SOFT)
    facts = plan.words.sheet_facts(plan.tare_g, page + 1, plan.forms)
    canvas.drawString(MARGIN, height - MARGIN - 13 * mm, facts)
    if page == 0 and plan.url:
        _code(canvas, plan.url, width - MARGIN - 16 * mm, height - MARGIN - 16 * mm, 16 * mm)
    if page == 0 and plan.ready:
        canvas.drawRightString(
            width - MARGIN - (18 * mm if plan.url else 0.0),
            height - MARGIN - 6 * mm,
            plan.words.likely_ready(plan.words.day(plan.ready, plan.zone)),
        )
    canvas.setStrokeColor(INK)
    canvas.setLineWidth(1.2)
    canvas.line(MARGIN, height - MARGIN - 17 * mm, width - MARGIN, height - MARGIN - 17 * mm)
    return float(height - MARGIN - 20 * mm)


@dataclass(frozen=True)
class _Row:
    """One act of the sheet, its words in as many lines as they need."""

    what: list[str]
    normal: list[str]

    @classmethod
    def of(cls, plan: JarPlan, step: Step) -> _Row:
        room = _size(plan.forms)[0] - 2 * MARGIN - 62 * mm
        return cls(
            simpleSplit(plan.words.row_words(step, plan.forms), BODY, 11, room),
            simpleSplit(plan.words.normal_words(step), BODY, 8.5, room),
        )

    @property
    def tall(self) -> float:
        """With a line to write down what was seen and what really went in."""
        return float(3 * mm + len(self.what) * LINE + len(self.normal) * SMALL_LINE + WRITTEN)


def _sheet_row(canvas: Canvas, plan: JarPlan, step: Step, row: _Row, top: float) -> None:
    width, _ = _size(plan.forms)
    canvas.setStrokeColor(INK)
    canvas.setLineWidth(1)
    canvas.rect(MARGIN, top - 9 * mm, 6 * mm, 6 * mm)
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 13)
    canvas.drawString(MARGIN + 10 * mm, top - 6 * mm, plan.words.day(step.due, plan.zone))
    canvas.setFillColor(CRUST)
    canvas.drawString(MARGIN + 43.5 * mm, top - 6 * mm, plan.forms.time(step.due, plan.zone))
    canvas.setFillColor(INK)
    left, at = MARGIN + 62 * mm, top - 6 * mm
    canvas.setFont(BODY, 11)
    for line in row.what:
        canvas.drawString(left, at, line)
        at -= LINE
    canvas.setFont(BODY, 8.5)
    canvas.setFillColor(SOFT)
    for line in row.normal:
        canvas.drawString(left, at, line)
        at -= SMALL_LINE
    _to_write(canvas, plan.words, left, at - 4 * mm, width - MARGIN)
    canvas.setStrokeColor(HexColor("#dccfb9"))
    canvas.line(MARGIN, top - row.tall + 1.5 * mm, width - MARGIN, top - row.tall + 1.5 * mm)


def _to_write(canvas: Canvas, words: Words, left: float, at: float, right: float) -> None:
    """Room for the hand: level, smell, time, and what really went in."""
    canvas.setStrokeColor(SOFT)
    canvas.setLineWidth(0.4)
    each = (right - left) / len(words.TO_WRITE)
    for index, name in enumerate(words.TO_WRITE):
        start = left + index * each
        canvas.drawString(start, at, name)
        canvas.line(start + canvas.stringWidth(name, BODY, 8.5) + 1.5 * mm, at, start + each - 3 * mm, at)


def labels(plan: JarPlan) -> bytes:
    """A page of labels for the next feeds: ratio, flour, date, time, an edge to lay at the line, a code for the jar."""
    return labels_of_all(plan.name, (plan,))


def labels_of_all(name: str, plans: Sequence[JarPlan]) -> bytes:
    """The same of several jars, by the hour of their feeds, those of one hour in the order of the jars."""
    (forms, words) = plans[0].forms, plans[0].words
    canvas, out = _canvas(words.labels_title(name), forms)
    width, height = _size(forms)
    wide, tall = (width - 2 * MARGIN) / LABELS_ACROSS, (height - 2 * MARGIN) / LABELS_DOWN
    a_page = LABELS_ACROSS * LABELS_DOWN
    feeds = [(plan, step) for turn in _turns(plans) for plan, step in turn if step.plan]
    for index, (plan, step) in enumerate(feeds[: a_page * (1 if len(plans) == 1 else 2)]):
        if index == a_page:
            canvas.showPage()
        place = index % a_page
        left = MARGIN + (place % LABELS_ACROSS) * wide
        foot = height - MARGIN - (place // LABELS_ACROSS + 1) * tall
        _label(canvas, plan, step, (left, foot, wide, tall))
    if not feeds:
        canvas.setFont(BODY, 12)
        canvas.drawString(MARGIN, height - MARGIN, words.NO_FEED_PLANNED)
    canvas.save()
    return out.getvalue()


# Acts of several jars that are due within this time of each other are done in one round.
ONE_ROUND = timedelta(minutes=30)


def _turns(plans: Sequence[JarPlan]) -> list[list[tuple[JarPlan, Step]]]:
    """What is to be done of all jars, round by round, each in the order of the jars."""
    ahead = [(step.due, place, plan, step) for place, plan in enumerate(plans) for step in plan.ahead]
    turns: list[list[tuple[datetime, int, JarPlan, Step]]] = []
    for one in sorted(ahead, key=lambda one: one[:2]):
        if turns and one[0] - turns[-1][0][0] <= ONE_ROUND:
            turns[-1].append(one)
        else:
            turns.append([one])
    return [[(plan, step) for _, _, plan, step in sorted(turn, key=lambda one: (one[1], one[0]))] for turn in turns]


def sheet_of_all(name: str, plans: Sequence[JarPlan]) -> bytes:
    """The days to come of several jars on one sheet, round by round: what each takes, a box, a line to write."""
    (forms, words) = plans[0].forms, plans[0].words
    canvas, out = _canvas(words.sheet_title(name), forms)
    page, top = 0, _head_of_all(canvas, name, plans, 0)
    turns = _turns(plans)
    for turn in turns:
        rows = [(plan, step, _lines_of(plan, step)) for plan, step in turn]
        tall = LINE + 4 * mm + sum(len(lines) * LINE + WRITTEN for _, _, lines in rows)
        if top < MARGIN + tall:
            canvas.showPage()
            page += 1
            top = _head_of_all(canvas, name, plans, page)
        _turn_of_all(canvas, rows, top)
        top -= tall
    if not turns:
        canvas.setFont(BODY, 12)
        canvas.drawString(MARGIN, top - 6 * mm, words.NOTHING_PLANNED)
    canvas.save()
    return out.getvalue()


def _head_of_all(canvas: Canvas, name: str, plans: Sequence[JarPlan], page: int) -> float:
    (forms, words) = plans[0].forms, plans[0].words
    width, height = _size(forms)
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 20)
    canvas.drawString(MARGIN, height - MARGIN - 6 * mm, _cut(canvas, name, BOLD, 20, width - 2 * MARGIN))
    canvas.setFont(BODY, 10)
    canvas.setFillColor(SOFT)
    facts = words.trial_facts([plan.name for plan in plans], page + 1)
    canvas.drawString(MARGIN, height - MARGIN - 13 * mm, _cut(canvas, facts, BODY, 10, width - 2 * MARGIN))
    canvas.setStrokeColor(INK)
    canvas.setLineWidth(1.2)
    canvas.line(MARGIN, height - MARGIN - 17 * mm, width - MARGIN, height - MARGIN - 17 * mm)
    return float(height - MARGIN - 20 * mm)


def _lines_of(plan: JarPlan, step: Step) -> list[str]:
    words = f"{plan.name}: {plan.words.row_words(step, plan.forms)}"
    return list(simpleSplit(words, BODY, 11, _size(plan.forms)[0] - 2 * MARGIN - 10 * mm))


def _turn_of_all(canvas: Canvas, rows: Sequence[tuple[JarPlan, Step, list[str]]], top: float) -> None:
    first, due = rows[0][0], min(step.due for _, step, _ in rows)
    width, _ = _size(first.forms)
    canvas.setFont(BOLD, 13)
    canvas.setFillColor(INK)
    canvas.drawString(MARGIN, top - 6 * mm, first.words.day(due, first.zone))
    canvas.setFillColor(CRUST)
    canvas.drawString(MARGIN + 43.5 * mm, top - 6 * mm, first.forms.time(due, first.zone))
    at = top - 6 * mm - LINE
    for plan, _, lines in rows:
        canvas.setStrokeColor(INK)
        canvas.setLineWidth(0.8)
        canvas.rect(MARGIN, at - 0.8 * mm, 4 * mm, 4 * mm)
        canvas.setFillColor(INK)
        canvas.setFont(BODY, 11)
        for line in lines:
            canvas.drawString(MARGIN + 10 * mm, at, line)
            at -= LINE
        canvas.setFont(BODY, 8.5)
        canvas.setFillColor(SOFT)
        _to_write(canvas, plan.words, MARGIN + 10 * mm, at - 3 * mm, width - MARGIN)
        at -= WRITTEN
    canvas.setStrokeColor(HexColor("#dccfb9"))
    canvas.line(MARGIN, at + 4 * mm, width - MARGIN, at + 4 * mm)


def _label(canvas: Canvas, plan: JarPlan, step: Step, at: tuple[float, float, float, float]) -> None:
    left, foot, wide, tall = at
    pad = 6 * mm
    canvas.setStrokeColor(SOFT)
    canvas.setDash(2, 3)
    canvas.setLineWidth(0.6)
    canvas.rect(left, foot, wide, tall)
    canvas.setDash()
    canvas.setFillColor(INK)
    room = wide - 2 * pad - (26 * mm if plan.url else 0.0)
    assert step.plan is not None
    canvas.setFont(BOLD, 17)
    canvas.drawString(left + pad, foot + tall - pad - 5 * mm, _cut(canvas, plan.name, BOLD, 17, room))
    canvas.setFont(BOLD, 13)
    canvas.drawString(left + pad, foot + tall - pad - 13 * mm, step.plan.ratio)
    canvas.setFont(BODY, 10)
    flours = ", ".join(plan.words.FLOURS[part.flour] for part in step.plan.flours)
    line = foot + tall - pad - 20 * mm
    moment = f"{plan.words.day(step.due, plan.zone)} {plan.forms.time(step.due, plan.zone)}"
    for part in [moment, *simpleSplit(flours, BODY, 10, room)]:
        canvas.drawString(left + pad, line, part)
        line -= LINE
    if plan.url:
        _code(canvas, plan.url, left + wide - pad - 24 * mm, foot + tall - pad - 24 * mm, 24 * mm)
    canvas.setStrokeColor(CRUST)
    canvas.setLineWidth(2)
    canvas.line(left + pad, foot + pad + 6 * mm, left + wide - pad, foot + pad + 6 * mm)
    canvas.setFont(BODY, 8)
    canvas.setFillColor(SOFT)
    canvas.drawString(left + pad, foot + pad + 1.5 * mm, plan.words.LAY_EDGE)


def card(plan: JarPlan, kind: Card, now: datetime) -> bytes:
    """A card on a quarter of a page: what it is, of what flour, when it was fed, and what to do with it."""
    canvas, out = _canvas(plan.words.card_title(plan.name), plan.forms)
    width, height = _size(plan.forms)
    wide, tall = (width - 2 * MARGIN) / 2.0, (height - 2 * MARGIN) / 2.0
    left, foot, pad = MARGIN, height - MARGIN - tall, 7 * mm
    canvas.setStrokeColor(SOFT)
    canvas.setDash(2, 3)
    canvas.setLineWidth(0.6)
    canvas.rect(left, foot, wide, tall)
    canvas.setDash()
    canvas.setFillColor(INK)
    canvas.setFont(BOLD, 18)
    top = foot + tall - pad - 6 * mm
    canvas.drawString(left + pad, top, _cut(canvas, plan.name, BOLD, 18, wide - 2 * pad))
    canvas.setFont(BODY, 10)
    top -= 8 * mm
    for line in plan.words.card_lines(kind, plan.held, plan.fed_at, now, plan.zone, plan.forms):
        for part in simpleSplit(line, BODY, 10, wide - 2 * pad):
            canvas.drawString(left + pad, top, part)
            top -= 5 * mm
        top -= 1.5 * mm
    canvas.save()
    return out.getvalue()


def _code(canvas: Canvas, url: str, left: float, foot: float, side: float) -> None:
    """A QR code (ISO/IEC 18004), of medium error correction so that a smear of flour does not spoil it."""
    code = QrCodeWidget(url, barLevel="M", barWidth=side, barHeight=side, barFillColor=INK, barBorder=2)
    drawing = Drawing(side, side)
    drawing.add(code)
    drawing.drawOn(canvas, left, foot)
