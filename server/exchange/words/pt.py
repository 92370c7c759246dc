"""What paper and calendars say, in Portuguese as it is written in Portugal."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime, tzinfo

from accounts.forms import Forms
from ferment.doors.told import InJar
from ferment.kitchen.flours import Flour
from ferment.kitchen.quantities import Spoonful
from ferment.mixing.feeding import FeedPlan
from ferment.planner import Act, Step
from ferment.planner.steps import SightCode
from ferment.protocol.method import Normal

from .amounts import NOTHING
from .amounts import amount as by_hand
from .kinds import Card

FLOURS: dict[Flour, str] = {
    Flour.RYE: "centeio integral",
    Flour.WHOLE_WHEAT: "trigo integral",
    Flour.HIGH_EXTRACTION: "trigo semi-integral",
    Flour.WHITE: "trigo branco",
    Flour.SPELT: "espelta",
    Flour.EINKORN: "trigo einkorn",
    Flour.GLUTEN_FREE: "farinha sem glúten",
}
ACTS: dict[Act, str] = {
    Act.MIX: "Misturar",
    Act.FEED: "Alimentar",
    Act.STIR: "Mexer",
    Act.LOOK: "Observar",
    Act.TO_FRIDGE: "Pôr ao frio",
    Act.TO_COUNTER: "Tirar do frio",
    Act.USE: "Amassar o pão com",
}
NORMAL: dict[Normal, str] = {
    Normal.WETTING: "ainda nada para ver",
    Normal.EARLY_RISE: "uma subida repentina, um cheiro estranho; não está pronto",
    Normal.QUIET: "quieto e plano, mais azedo",
    Normal.WAKING: "bolhinhas, depois uma subida que cresce",
    Normal.GROWING: "dobra, cada vez mais cedo",
    Normal.SOURED: "pouco para ver, cheira a fruta",
    Normal.SLOW_QUIET: "lento e quieto; bolhas antes de qualquer subida",
    Normal.SOAKING: "incha, mexe-se sem grumos",
    Normal.REVIVING: "pouco ou ainda nada",
    Normal.STIRRING: "meia subida, depois mais",
    Normal.RESTED: "lento depois do frio",
    Normal.LIVELY: "sobe em poucas horas, em cúpula, e desce",
}
# Depois de "quando".
SIGHTS: dict[SightCode, str] = {
    SightCode.BUBBLES: "fizer bolhas",
    SightCode.BUBBLES_THROUGHOUT: "tiver bolhas por todo o lado",
    SightCode.FROTH: "fizer espuma",
    SightCode.RISEN: "tiver subido",
    SightCode.BELOW_HIGH_MARK: "tiver descido abaixo da marca mais alta",
    SightCode.RISEN_AND_FALLEN: "tiver subido e descido",
    SightCode.RUNNY: "estiver líquido",
    SightCode.IN_A_ROW: "o tiver feito várias vezes seguidas",
}
PARTS = {0.25: "um quarto", 0.33: "um terço", 0.5: "metade", 0.67: "dois terços", 0.75: "três quartos"}
SPOONS = {"tsp": "c. chá", "tbsp": "c. sopa", "cup": "chávena"}
WEEKDAYS = ("seg", "ter", "qua", "qui", "sex", "sáb", "dom")
MONTHS = ("jan", "fev", "mar", "abr", "mai", "jun", "jul", "ago", "set", "out", "nov", "dez")


def amount(forms: Forms, g: float, spoons: tuple[Spoonful, ...] = ()) -> str:
    return by_hand(forms, g, spoons, SPOONS)


def plan_words(plan: FeedPlan | None, forms: Forms) -> str:
    """`guardar 40 g, 40 g de água, 30 g de espelta`; nothing for an act that adds nothing."""
    if plan is None:
        return ""
    hand = plan.by_hand or NOTHING
    flours = {one.flour: one.spoons for one in hand.flours}
    parts = []
    if plan.keep_g:
        part = hand.keep_part and PARTS.get(round(hand.keep_part, 2))
        parts.append(f"guardar cerca de {part}" if part else f"guardar {amount(forms, plan.keep_g, hand.keep)}")
    if plan.water_g:
        parts.append(f"{amount(forms, plan.water_g, hand.water)} de água")
    if plan.juice_g:
        parts.append(f"{amount(forms, plan.juice_g, hand.juice)} de sumo")
    parts += [f"{amount(forms, part.g, flours.get(part.flour, ()))} de {FLOURS[part.flour]}" for part in plan.flours]
    if plan.salt_g:
        parts.append(f"{amount(forms, plan.salt_g, hand.salt)} de sal")
    return ", ".join(parts)


def waits_words(step: Step) -> str:
    return " ou ".join(SIGHTS[one.sight] for one in step.waits_for)


def day(at: datetime, zone: tzinfo) -> str:
    local = at.astimezone(zone)
    return f"{WEEKDAYS[local.weekday()]} {local.day} {MONTHS[local.month - 1]}"


# --- paper ---

TO_WRITE = ("às", "nível", "cheiro", "entrou")
NOTHING_PLANNED = "Nada planeado."
NO_FEED_PLANNED = "Nenhum refresco planeado."
LAY_EDGE = "encoste esta borda ao cimo da mistura fresca"


def sheet_title(name: str) -> str:
    return f"{name}: plano"


def labels_title(name: str) -> str:
    return f"{name}: etiquetas"


def card_title(name: str) -> str:
    return f"{name}: cartão"


CARD_DAYS: dict[Card, tuple[str, ...]] = {
    Card.GIFT: (
        "Dia 1: deixe-a tapada sem apertar, nunca fechada. Guarde uma colherada, junte outro tanto de farinha e água.",
        "Dias 2 e 3: o mesmo, uma vez por dia. Espere que dobre antes do refresco seguinte.",
        "Depois alimente-a todos os dias, ou guarde-a no frigorífico e alimente-a uma vez por semana.",
        "Nunca a prove crua. Rosa, laranja ou felpudo: tudo para o lixo.",
    ),
    Card.FLAKES: (
        "Secas, ao escuro e fechadas, as lascas duram um ano e mais.",
        "Para as acordar: demolhe no dobro de água morna por três horas, mexa a meio, junte farinha.",
    ),
}


def card_lines(
    kind: Card, held: InJar | None, fed_at: datetime | None, now: datetime, zone: tzinfo, forms: Forms
) -> list[str]:
    """What it is of, when it was fed or dried, and what to do with it."""
    lines = []
    if held is not None:
        flours = ", ".join(FLOURS[part.flour] for part in held.flours)
        wet = f", {round(held.hydration_percent)} % de água em relação à farinha" if held.hydration_percent else ""
        lines.append(f"Massa-mãe de {flours}{wet}.")
    if kind is Card.FLAKES:
        lines.append(f"Seca a partir de {day(now, zone)} {now.astimezone(zone).year}.")
    elif fed_at is not None:
        lines.append(f"Alimentada {day(fed_at, zone)} {forms.time(fed_at, zone)}.")
    return [*lines, *CARD_DAYS[kind]]


def trial_facts(names: Sequence[str], page: int) -> str:
    """O simples primeiro em cada volta."""
    told = f"{', '.join(names)} · primeiro o simples, uma espátula para cada um"
    return told if page == 1 else f"{told} · página {page}"


def sheet_facts(tare_g: float, page: int, forms: Forms) -> str:
    jar = f"frasco vazio {forms.grams(tare_g)} · " if tare_g else ""
    return f"{jar}tampa pousada, nunca fechada · página {page}"


def likely_ready(day_words: str) -> str:
    return f"deve estar pronto {day_words}"


def row_words(step: Step, forms: Forms) -> str:
    """What to do, with its grams where it feeds."""
    if step.act is Act.USE:
        return f"Amassar o pão: {forms.grams(sum(one.g or 0.0 for one in step.do))}"
    act = ACTS[step.act]
    return f"{act}: {plan_words(step.plan, forms)}" if step.plan else act


def normal_words(step: Step) -> str:
    once = f"quando {waits_words(step)} · " if step.waits_for else ""
    return f"dia {step.day} · {once}normal: {NORMAL[step.normal]}"


# --- calendars ---


def summary(step: Step, name: str, *, done: bool) -> str:
    said = f"{ACTS[step.act]} {name}"
    return f"{said} (feito)" if done else said


def description(step: Step, zone: tzinfo, forms: Forms) -> str:
    """Its grams, what it waits for, its window, and what is normal then, a line each."""
    lines = [plan_words(step.plan, forms)]
    if step.waits_for:
        lines.append(f"Quando {waits_words(step)}.")
    if step.earliest < step.latest:
        lines.append(f"Entre as {forms.time(step.earliest, zone)} e as {forms.time(step.latest, zone)} tanto faz.")
    lines.append(f"Normal no dia {step.day}: {NORMAL[step.normal]}.")
    return "\n".join(line for line in lines if line)
