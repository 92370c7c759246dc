"""How quick the interface answers in a real browser, against one plain request in the same run.

It needs a running demo:  ./despertar demo    (in another terminal)
PYTHONPATH=core:.:server .venv/bin/python -m bench.interface http://127.0.0.1:8420
"""

from __future__ import annotations

import sys
from collections.abc import Iterator
from statistics import median
from uuid import uuid4

from tests.journeys.browser import Browser
from tests.server.base import PASSWORD, feed_body, new_jar, record

LOOKS = 12
# Budgets of the product: a look from the press to the drawn jar, and the kitchen from an empty cache, in ms.
DRAWN_MS, PAINT_MS = 100, 1000

ASK = """
const [method, path, body, done] = arguments;
const token = /despertar_csrf=([^;]+)/.exec(document.cookie)?.[1] ?? "";
const headers = { "Content-Type": "application/json", "X-CSRFToken": token };
const began = performance.now();
fetch(path, { method, headers, ...(body === null ? {} : { body: JSON.stringify(body) }) })
  .then((answer) => answer.text())
  .then(() => done(performance.now() - began));
"""
SAVE = """
const [level, done] = arguments;
const button = [...document.querySelectorAll("button")].find((one) => one.textContent === "Save the look");
const shows = () => [...document.querySelectorAll("dd")].some((one) => one.textContent.startsWith(level));
const began = performance.now();
const watch = () => (shows() ? done(performance.now() - began) : requestAnimationFrame(watch));
button.click();
watch();
"""
DRAWN_AT = """
const done = arguments[0];
const watch = () =>
  document.querySelector("[role=tab] svg") ? done(performance.now()) : requestAnimationFrame(watch);
watch();
"""

# A laptop of today held back so much is about a cheap phone (common practice).
HELD_BACK = 4
LONGEST_MS = 50
WATCH_TASKS = """
globalThis.longTasks = [];
new PerformanceObserver((list) => globalThis.longTasks.push(...list.getEntries().map((one) => one.duration)))
  .observe({ type: "longtask" });
"""


def report(base: str) -> Iterator[str]:
    page = Browser()
    page.base = base.rstrip("/")
    try:
        yield from _measure(page)
    finally:
        page.quit()


def _measure(page: Browser) -> Iterator[str]:
    def ask(method: str, path: str, body: object = None) -> float:
        took: float = page.driver.execute_async_script(ASK, method, path, body)
        return took

    page.open("/")
    page.one("button", "Sign in")
    name = f"bench {uuid4().hex[:8]}"
    ask("POST", "/api/accounts", {"name": name, "password": PASSWORD, "time_zone": "Europe/Lisbon"})
    jar = new_jar()
    ask("POST", "/api/jars", jar)
    ask("POST", f"/api/jars/{jar['id']}/log", record(feed_body(9.0, keep_g=0.0)))
    plain = median(ask("GET", "/api/session") for _ in range(LOOKS))

    page.open("/")
    times = []
    for turn in range(LOOKS):
        page.press("link", "Look")
        level = f"{1.1 + turn / 100:.4g}"
        page.type("Level", level)
        times.append(page.driver.execute_async_script(SAVE, level))
    yield f"a look, from the press to the drawn jar: {median(times):.0f} ms (asked: {DRAWN_MS})"
    yield f"  {median(times) / plain:.1f} × a plain request of {plain:.0f} ms, the slowest {max(times):.0f} ms"

    yield from _held_back(page)

    page.driver.execute_cdp_cmd("Network.clearBrowserCache", {})
    page.driver.execute_script(
        "navigator.serviceWorker?.getRegistrations().then((all) => all.forEach((one) => one.unregister()))"
    )
    page.open("/")
    drawn = page.driver.execute_async_script(DRAWN_AT)
    yield f"the kitchen drawn from an empty cache: {drawn:.0f} ms, {drawn / plain:.0f} × (asked: {PAINT_MS})"


def _held_back(page: Browser) -> Iterator[str]:
    """Looks and ways through the places on a device four times as slow."""
    page.driver.execute_cdp_cmd("Emulation.setCPUThrottlingRate", {"rate": HELD_BACK})
    page.driver.execute_script(WATCH_TASKS)

    def longest() -> str:
        tasks: list[float] = page.driver.execute_script("return globalThis.longTasks.splice(0)")
        return f"{max(tasks, default=0.0):.0f} ms the longest of {len(tasks)} tasks over {LONGEST_MS} ms"

    times = []
    for turn in range(LOOKS):
        page.press("link", "Look")
        level = f"{1.3 + turn / 100:.4g}"
        page.type("Level", level)
        page.driver.execute_script("globalThis.longTasks.splice(0)")
        times.append(page.driver.execute_async_script(SAVE, level))
    yield f"the same held back {HELD_BACK} times: {median(times):.0f} ms (asked: {DRAWN_MS}); {longest()} on saving"
    for role, name, there in (
        ("link", "Look", "Save the look"),
        ("link", "Kitchen", "Look"),
        ("link", "Rise line and log", "Log"),
        ("link", "Kitchen", "Look"),
    ):
        page.driver.execute_script("globalThis.longTasks.splice(0)")
        page.press(role, name)
        page.sees(there)
        yield f"  {name}: {longest()}"
    page.driver.execute_cdp_cmd("Emulation.setCPUThrottlingRate", {"rate": 1})


if __name__ == "__main__":
    for line in report(sys.argv[1]):
        sys.stdout.write(f"{line}\n")
