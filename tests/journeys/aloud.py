"""The pages as a screen reader has them: a walk through the accessibility tree, written down as lines of text.

    PYTHONPATH=. .venv/bin/python -m tests.journeys.aloud http://127.0.0.1:8420 > docs/aloud.md

reads new jar, look, feed and the rise line of the demo kitchen that stands there.
"""

from __future__ import annotations

import sys
from collections.abc import Iterator
from typing import Any

from .browser import Browser, spaced

# What a reader stops at or says; the rest only groups.
SPOKEN = frozenset(
    {
        "heading", "button", "link", "textbox", "spinbutton", "slider", "radio", "checkbox", "tab", "switch", "image",
        "img", "status", "alert", "navigation", "main", "radiogroup", "group", "region", "listitem", "StaticText",
        "DisclosureTriangle", "table", "columnheader", "rowheader", "cell", "Date", "InputTime", "graphics-document",
    }
)  # fmt: skip
PLAIN = {"StaticText": "", "DisclosureTriangle": "disclosure", "listitem": "item"}


def read(page: Browser) -> list[str]:
    """What is said of the main part of a page, in order: role, name, value, description, state."""
    nodes = page.driver.execute_cdp_cmd("Accessibility.getFullAXTree", {})["nodes"]
    by_id = {node["nodeId"]: node for node in nodes}
    main = next(node for node in nodes if _value(node.get("role")) == "main")
    lines: list[str] = []
    for line in _said(main, by_id):
        # A name and the text that it was made of are said once.
        if line and not (lines and line in lines[-1]):
            lines.append(line)
    return lines


def _said(node: dict[str, Any], by_id: dict[str, dict[str, Any]]) -> Iterator[str]:
    role = str(_value(node.get("role")))
    name = spaced(str(_value(node.get("name"))))
    if not node.get("ignored") and role in SPOKEN and role != "main":
        value, about = _value(node.get("value")), spaced(str(_value(node.get("description"))))
        states = {one["name"]: one["value"].get("value") for one in node.get("properties", [])}
        if isinstance(value, float):
            value = f"{value:.2f}"
        said = [PLAIN.get(role, role), name, spaced(str(states.get("valuetext") or value or ""))]
        said += ["chosen"] if states.get("checked") == "true" or states.get("pressed") == "true" else []
        said += [about] if about else []
        if name or value:
            yield ": ".join(part for part in (said[0], ", ".join(one for one in said[1:] if one)) if part)
    for child in node.get("childIds", []):
        if child in by_id:
            yield from _said(by_id[child], by_id)


def _value(told: dict[str, Any] | None) -> Any:
    return (told or {}).get("value", "")


def _walk(base: str) -> Iterator[tuple[str, list[str]]]:
    page = Browser()
    page.base = base
    try:
        page.open("/")
        page.press("button", "Walk into the demo kitchen")
        page.press("tab", "Moth")
        jar = (page.one("link", "Rise line and log").get_attribute("href") or "").removeprefix(base)
        for title, path in (
            ("A new jar, the first question", "/new"),
            ("A look", f"{jar}/look"),
            ("A feed, the first step", f"{jar}/feed"),
            ("A jar with its rise line", jar),
        ):
            page.open(path)
            page.until("a heading", lambda: page.all("heading") or None)
            page.until("what was asked for", lambda: True if "…" not in page.text() else None)
            yield title, read(page)
    finally:
        page.quit()


def main() -> None:
    out = ["# Read aloud", "", "The demo kitchen as a screen reader has it, made by `tests/journeys/aloud.py`."]
    for title, lines in _walk(sys.argv[1]):
        out += ["", f"## {title}", "", *(f"- {line}" for line in lines)]
    sys.stdout.write("\n".join(out) + "\n")


if __name__ == "__main__":
    main()
