"""What is kept as JSON says in which form it was written, and what was written in an older form is read for ever.

A form is a whole number, kept beside the rest under `form`; what says none is of form 0. Each kind of body has its row
of steps, of which step n makes form n + 1 of form n: the form written today is the length of the row.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from ferment.refusal import Fact

from . import ServerProblem

FORM = "form"
Body = Mapping[str, object]
Step = Callable[[Body], Body]


class UnreadableError(Exception):
    """Something stored that today's code makes nothing of; `entry_id` where it is an entry of a log."""

    def __init__(
        self, code: str, field: str, facts: Mapping[str, Fact] | None = None, entry_id: str | None = None
    ) -> None:
        super().__init__(f"{code} ({field})")
        self.code, self.field, self.facts, self.entry_id = code, field, dict(facts or {}), entry_id

    def __reduce__(self) -> tuple[type[UnreadableError], tuple[object, ...]]:
        # A test's error goes from one process to another with all that led to it.
        return type(self), (self.code, self.field, self.facts, self.entry_id)


def in_form_of_today(stored: Body, steps: Sequence[Step], field: str) -> dict[str, object]:
    """The body without its mark, every step since its form taken. Raises UnreadableError for a form to come."""
    form = stored.get(FORM, 0)
    if not isinstance(form, int) or form < 0:
        raise UnreadableError(ServerProblem.STORED_BROKEN, f"{field}.{FORM}")
    if form > len(steps):
        raise UnreadableError(ServerProblem.STORED_TOO_NEW, field, {"given": float(form), "known": float(len(steps))})
    body: Body = {name: value for name, value in stored.items() if name != FORM}
    for step in steps[form:]:
        body = step(body)
    return dict(body)


def marked(body: Body, steps: Sequence[Step]) -> dict[str, object]:
    """The body as it is stored, with the form that it is in."""
    return {**body, FORM: len(steps)}
