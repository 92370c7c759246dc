"""Feeds as iCalendar (RFC 5545): one event an act, the same UID whatever moves, SEQUENCE rising with every change."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from icalendar import Alarm, Calendar, Event

from ferment.planner import Step, StepState

from ..services import JarPlan

PRODUCT = "-//Despertar//plan of a starter//EN"
LASTS = timedelta(minutes=15)
# Programs that subscribe are asked to look again so often.
REFRESH = timedelta(hours=1)


def calendar(plans: list[JarPlan], name: str, now: datetime) -> bytes:
    """What is done and what is to come of these jars.

    Times are in UTC, which every program shows in its own zone: an interval in hours that pass stays whole over a
    change of clocks, and no program has to understand a zone's history.
    """
    made = Calendar()
    made.add("prodid", PRODUCT)
    made.add("version", "2.0")
    made.add("calscale", "GREGORIAN")
    made.add("method", "PUBLISH")
    made.add("x-wr-calname", name)
    made.add("refresh-interval", REFRESH, parameters={"VALUE": "DURATION"})
    for plan in plans:
        for step in plan.steps:
            made.add_component(_event(plan, step, now))
    out: bytes = made.to_ical()
    return out


def uid(plan: JarPlan, step: Step) -> str:
    """A jar's third feed is the same event however its time moves and whatever else is done before it."""
    return f"{plan.jar_id}-{plan.names[step.number]}@despertar"


def _event(plan: JarPlan, step: Step, now: datetime) -> Event:
    done = step.state is StepState.DONE
    # What is overdue is due now, not in the past.
    at = step.due if done or step.state is StepState.SKIPPED else max(step.due, now.replace(second=0, microsecond=0))
    if done and step.off_by_h is not None:
        at = step.due + timedelta(hours=step.off_by_h)
    start = at.astimezone(UTC)
    event = Event()
    event.add("uid", uid(plan, step))
    event.add("dtstamp", now)
    event.add("last-modified", plan.changed_at or now)
    event.add("sequence", plan.sequence)
    event.add("dtstart", start)
    event.add("dtend", start + LASTS)
    event.add("summary", plan.words.summary(step, plan.name, done=done))
    event.add("description", plan.words.description(step, plan.zone, plan.forms))
    event.add("status", "CANCELLED" if step.state is StepState.SKIPPED else "CONFIRMED")
    event.add("transp", "TRANSPARENT")
    if plan.url:
        event.add("url", plan.url)
    if not done and step.state is not StepState.SKIPPED:
        alarm = Alarm()
        alarm.add("action", "DISPLAY")
        alarm.add("description", plan.words.summary(step, plan.name, done=False))
        alarm.add("trigger", timedelta(0))
        event.add_component(alarm)
    return event
