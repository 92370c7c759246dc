"""Takes the README's pictures from a running, freshly laid demo kitchen:

./despertar reset --yes; ./despertar demo        (in another terminal)
PYTHONPATH=. .venv/bin/python -m tests.journeys.pictures http://127.0.0.1:8420
"""

from __future__ import annotations

import sys

from launcher.place import ROOT

from .browser import Browser

FOLDER = ROOT / "docs" / "screenshots"


def settle(page: Browser) -> None:
    """Wait until the fonts are there, nothing is being fetched and nothing moves."""
    script = (
        "return document.fonts.status === 'loaded' && !document.querySelector('[role=status]')"
        " && document.getAnimations().length === 0"
    )
    page.until("a quiet page", lambda: True if page.driver.execute_script(script) else None)


def take(base: str) -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    page = Browser()
    page.base = base.rstrip("/")
    page.driver.execute_cdp_cmd("Emulation.setTimezoneOverride", {"timezoneId": "Europe/Lisbon"})

    def picture(name: str) -> None:
        settle(page)
        page.picture(FOLDER / f"{name}.png")

    page.open("/")
    page.one("button", "Walk into the demo kitchen")
    picture("welcome")
    page.press("button", "Walk into the demo kitchen")
    page.press("tab", "Harbour")
    page.sees("Rise line and log")
    picture("kitchen")
    jar = (page.one("link", "Rise line and log").get_attribute("href") or "").removeprefix(page.base)
    page.open(jar)
    page.one("heading", "Rise line")
    picture("jar")
    page.open(f"{jar}/look")
    page.one("heading", "Look at Harbour")
    picture("look")
    page.open(f"{jar}/feed")
    page.press("button", "Next")
    page.type("Water, if not 40 g", "46")
    page.sees("Then add")
    picture("feed")
    page.type("Water, if not 40 g", "")
    page.press("button", "Back")
    page.open(f"{jar}/plan")
    page.one("heading", "Plan of")
    picture("plan")
    page.open("/")
    page.press("tab", "Quarry")
    page.sees("Next bake")
    page.press("link", "Rise line and log")
    page.sees("Kept in the fridge")
    kept = page.path.split("?")[0]
    page.open(f"{kept}/bake")
    page.sees("Take this")
    picture("bake")
    page.open("/discard")
    page.sees("its oldest part")
    picture("discard")
    page.open("/practice/missed_night?seed=12")
    page.sees("Let time run")
    page.press("button", "Look closely")
    page.sees("What is there to see and smell")
    picture("practice")
    page.open("/yours")
    page.sees("Units and forms")
    picture("yours")
    page.open("/house")
    page.sees("To come")
    picture("house")
    page.open("/new?from=flour_and_water")
    page.press("toggle", "Yes")
    page.one("heading", "Which flour?")
    page.sees("Likely ready on day")
    picture("new-jar")
    page.open("/reckoner?sum=build")
    page.sees("of the jar to begin with")
    picture("reckoner")
    page.open("/trials")
    page.press("link", "All rye, or with half-white")
    page.one("heading", "What it did")
    picture("side-by-side")

    page.open("/signs")
    page.press("toggle", "white film")
    page.sees("Is it fuzzy, raised or coloured?")
    picture("signs")

    page.size(390, 844)
    page.open("/")
    page.one("tab", "Lantern")
    picture("kitchen-phone")
    page.open(f"{jar}/feed")
    page.one("heading", "Feed Harbour")
    picture("feed-phone")

    page.size(1280, 800)
    page.open(f"{jar}/watch")
    # The simulated camera sends its night in some four minutes.
    page.sees("Peak")
    page.press("button", "Dim for the night")
    picture("watch-night")

    page.driver.delete_all_cookies()
    page.driver.execute_script("localStorage.clear()")
    page.driver.add_cookie({"name": "despertar_language", "value": "pt", "path": "/"})
    page.size(390, 844)
    page.open("/")
    page.press("button", "Entrar na cozinha de exemplo")
    page.press("tab", "Cais")
    page.sees("Linha da subida")
    picture("kitchen-portuguese")
    page.quit()


if __name__ == "__main__":
    take(sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8420")
