"""A headless Chromium that finds things by role and name, as a person would, and waits on conditions, never on time."""

from __future__ import annotations

import json
import re
import shutil
from collections.abc import Callable
from pathlib import Path
from typing import Any, TypeVar
from urllib.parse import urlsplit

from selenium import webdriver
from selenium.common.exceptions import (
    ElementNotInteractableException,
    StaleElementReferenceException,
    WebDriverException,
)
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import Select, WebDriverWait

from launcher.place import WEB

T = TypeVar("T")

FLAGS = (
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--disable-dev-shm-usage",
    "--lang=en-GB",
)
# Which elements can have a role at all; the browser itself then says which role and name they have.
CANDIDATES = {
    "button": "button, [role=button]",
    "link": "a",
    "textbox": "input, textarea",
    "tab": "[role=tab]",
    "radio": "[role=radio]",
    "slider": "[role=slider]",
    "slider-range": "input[type=range]",
    "heading": "h1, h2, h3",
    "menuitem": "[role=menuitem]",
    "alert": "[role=alert]",
    "alertdialog": "[role=alertdialog]",
    "disclosure": "summary",
    "region": "section[aria-label], section[aria-labelledby]",
    "row": "tr",
    "group": "[role=group], [role=radiogroup]",
    "toggle": "button[aria-pressed], [role=radio]",
    "checkbox": "input[type=checkbox]",
    "list": "select",
}
# How long a page is given; and one whose own Python begins, on a machine that does other things beside.
WITHIN_S, WITH_PYTHON_S = 15.0, 90.0
# How chromedriver says, beside "stale", that what it was asked about is no more.
GONE = ("Frame is detached", "does not belong to the document")
AXE = (WEB / "node_modules" / "axe-core" / "axe.min.js").read_text(encoding="utf-8")
# A colour on its way to another is neither: what moves and has an end is waited for.
AXE_RUN = """
const done = arguments[arguments.length - 1];
const ending = document.getAnimations()
  .filter((one) => one.playState === "running" && one.effect?.getComputedTiming().endTime < Infinity);
const said = (one) => `${one.id}: ${one.help}: ${one.nodes.map((node) => node.target.join(" ")).join(", ")}`;
Promise.allSettled(ending.map((one) => one.finished))
  .then(() => axe.run(document, { resultTypes: ["violations"] }))
  .then((found) => done(found.violations.map(said)));
"""


# What still moves is pressed where it was: a hand waits until it stands, through two frames alike.
AT_REST = """
const [element, done] = arguments;
let before = null, frames = 0;
const look = () => {
  const { top, left } = element.getBoundingClientRect();
  const now = `${top} ${left}`;
  if (now === before || ++frames > 60) return done();
  before = now;
  requestAnimationFrame(look);
};
look();
"""
FIELDS = """
return [...document.querySelectorAll('main *')].flatMap((one) => [
  one.placeholder,
  ['time', 'datetime-local'].includes(one.type) ? null : one.value,
  one.getAttribute('aria-label'),
  one.getAttribute('aria-valuetext'),
]).filter((one) => typeof one === 'string').join('\\n')
"""


# Which of them may bear a name that begins with a word: those in whose words it stands somewhere. The browser is then
# asked for the names of these few alone, for each question is a way to it and back.
LIKELY = """
const [selector, word] = arguments;
const said = (one) => [
  one.textContent, one.ariaLabel, one.title, one.alt, one.placeholder, one.value,
  ...(one.getAttribute('aria-labelledby') ?? '').split(/\\s+/).map((id) => document.getElementById(id)?.textContent),
  ...[...(one.labels ?? [])].map((label) => label.textContent),
  ...[...one.querySelectorAll('[aria-label], [alt], [title]')].flatMap((at) => [at.ariaLabel, at.alt, at.title]),
];
return [...document.querySelectorAll(selector)].filter((one) => one.checkVisibility()
  && said(one).some((text) => typeof text === 'string' && text.replace(/[\\u00a0\\u202f]/g, ' ').includes(word)));
"""


def spaced(text: str) -> str:
    """Numbers hold on to their units by a space that does not break; tests read better without."""
    return text.replace("\u00a0", " ").replace("\u202f", " ")


class Browser:
    def __init__(
        self, width: int = 1280, height: int = 800, *, begun_by: Path | None = None, flags: tuple[str, ...] = ()
    ) -> None:
        """`begun_by` is a program that begins the browser elsewhere, such as in another network; it is told all."""
        options = webdriver.ChromeOptions()
        options.binary_location = str(begun_by or shutil.which("chromium") or "/usr/bin/chromium")
        for flag in (*FLAGS, *flags, *(("--remote-debugging-pipe",) if begun_by else ())):
            options.add_argument(flag)
        # What is in use where the browser says that it is: the flag alone sets the browser's own words.
        options.add_experimental_option("prefs", {"intl.accept_languages": "en-GB,en"})
        options.set_capability("goog:loggingPrefs", {"browser": "ALL", "performance": "ALL"})
        service = Service(shutil.which("chromedriver") or "/usr/bin/chromedriver")
        self.driver = webdriver.Chrome(options=options, service=service)
        self.base = ""
        self.presses = 0
        self.size(width, height)

    def size(self, width: int, height: int) -> None:
        metrics = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": width < 600}
        self.driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", metrics)

    # --- going ---

    def open(self, path: str) -> None:
        self.driver.get(self.base + path)

    def sign_up(self, name: str, password: str) -> None:
        """Make an account at the door, as a newcomer does."""
        self.open("/")
        self.press("button", "New here? Make an account")
        self.type("Name", name)
        self.type("Password", password)
        self.press("button", "Make the account")

    @property
    def path(self) -> str:
        return urlsplit(self.driver.current_url).path

    def downloads_to(self, folder: Path) -> None:
        self.driver.execute_cdp_cmd("Page.setDownloadBehavior", {"behavior": "allow", "downloadPath": str(folder)})

    def offline(self, *, gone: bool) -> None:
        self._line(gone=gone, latency_ms=0)

    def slow(self, latency_ms: int) -> None:
        """So long on the way to every answer; none again with 0."""
        self._line(gone=False, latency_ms=latency_ms)

    def _line(self, *, gone: bool, latency_ms: int) -> None:
        conditions = {"offline": gone, "latency": latency_ms, "downloadThroughput": -1, "uploadThroughput": -1}
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", conditions)

    def block(self, *patterns: str) -> None:
        """Addresses that are not got to from now on; none, and all are again."""
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": list(patterns)})

    # --- finding ---

    def until(self, what: str, ask: Callable[[], T | None], within_s: float = WITHIN_S) -> T:
        def again(_: object) -> T | None:
            try:
                return ask()
            except (StaleElementReferenceException, ElementNotInteractableException):
                # Drawn anew or taken away in between: it is found again, as by a hand.
                return None
            except WebDriverException as error:
                # The page went to another while it was asked: what was found is a node of the one before.
                if not any(gone in str(error) for gone in GONE):
                    raise
                return None

        try:
            found = WebDriverWait(self.driver, within_s, poll_frequency=0.05).until(again)
        except WebDriverException as error:
            text = self.driver.find_element(By.TAG_NAME, "body").text
            raise AssertionError(
                f"Waited for {what} in vain at {self.driver.current_url}. The page:\n{text}"
            ) from error
        assert found is not None
        return found

    def all(self, role: str, name: str | None = None) -> list[WebElement]:
        """Every visible element of a role whose accessible name begins with `name`."""
        word = name.split()[0] if name else ""
        found: list[WebElement] = self.driver.execute_script(LIKELY, CANDIDATES[role], word)
        return [one for one in found if one.is_displayed() and (name is None or self.name(one).startswith(name))]

    def name(self, element: WebElement) -> str:
        return spaced(element.accessible_name)

    def one(self, role: str, name: str) -> WebElement:
        return self.until(f"{role} {name!r}", lambda: next(iter(self.all(role, name)), None))

    def sees(self, text: str, within_s: float = WITHIN_S) -> None:
        self.until(f"the text {text!r}", lambda: True if text in self.text() else None, within_s)

    def sees_not(self, text: str, within_s: float = WITHIN_S) -> None:
        self.until(f"no text {text!r}", lambda: True if text not in self.text() else None, within_s)

    def text(self) -> str:
        """All that is shown, as the page lays it out."""
        return spaced(self.driver.execute_script("return document.body.innerText"))

    def fields(self) -> str:
        """What stands in and under the fields and on pictures: values, placeholders, spoken names. The browser itself
        writes dates and hours."""
        return spaced(self.driver.execute_script(FIELDS))

    def settled(self) -> None:
        """Wait until nothing is being fetched and nothing moves."""
        script = "return !document.querySelector('[role=status]') && document.getAnimations().length === 0"
        self.until("a quiet page", lambda: True if self.driver.execute_script(script) else None)

    def spaced(self, element: WebElement) -> str:
        return spaced(element.text)

    def step(self, said: str = "Step") -> str:
        """Where a walk stands, as the page says it: `Step 2 of 5`."""
        found = re.search(rf"{said} \d+ \w+ \d+", self.text())
        return found.group() if found else ""

    # --- doing ---

    def press(self, role: str, name: str) -> None:
        """Press what has this role and name."""
        presses = self.presses

        def pressed() -> bool | None:
            found = next(iter(self.all(role, name)), None)
            # What is greyed out is waited for.
            if found is None or not found.is_enabled():
                return None
            self.press_element(found)
            return True

        self.until(f"{role} {name!r}", pressed)
        self.presses = presses + 1

    def press_element(self, element: WebElement) -> None:
        self.presses += 1
        self.driver.execute_script("arguments[0].scrollIntoView({block: 'center'})", element)
        self.driver.execute_async_script(AT_REST, element)
        element.click()

    def choose_file(self, name: str, *paths: Path) -> None:
        """Give files to the field of that name, seen or not."""

        def field() -> WebElement | None:
            found = self.driver.find_elements(By.CSS_SELECTOR, "input[type=file]")
            named = (one for one in found if name in (one.get_attribute("aria-label"), one.accessible_name))
            return next(named, None)

        self.until(f"a field for files {name!r}", field).send_keys("\n".join(map(str, paths)))

    def type(self, name: str, text: str) -> None:
        field = self.one("textbox", name)
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(Keys.DELETE)
        # Beyond what chromedriver can type key by key (emoji) the browser inserts the text itself.
        field.click()
        self.driver.execute_cdp_cmd("Input.insertText", {"text": text})

    def pick(self, name: str, choice: str) -> None:
        """Choose in a list that drops down."""
        Select(self.one("list", name)).select_by_visible_text(choice)

    def keys(self, *keys: str) -> None:
        webdriver.ActionChains(self.driver).send_keys(*keys).perform()

    def tab_to(self, role: str, name: str) -> None:
        """Walk on with the Tab key until the thing has the focus, as somebody without a mouse does."""
        for _ in range(80):
            wanted = self.one(role, name)
            if self.driver.switch_to.active_element == wanted:
                return
            self.keys(Keys.TAB)
        raise AssertionError(f"The Tab key never reached {role} {name!r} at {self.driver.current_url}.")

    # --- judging ---

    def axe(self) -> list[str]:
        self.driver.execute_script(AXE)
        found: list[str] = self.driver.execute_async_script(AXE_RUN)
        return found

    def overflows(self) -> bool:
        script = "return document.documentElement.scrollWidth > document.documentElement.clientWidth"
        return bool(self.driver.execute_script(script))

    def console(self) -> list[str]:
        """What the page complained of since the last call."""
        return [f"{entry['level']} {entry['message']}" for entry in self.driver.get_log("browser")]  # type: ignore[no-untyped-call]

    def hosts(self) -> set[str]:
        """Every host that the page asked for anything since the last call."""
        hosts = set()
        for entry in self.driver.get_log("performance"):  # type: ignore[no-untyped-call]
            message: dict[str, Any] = json.loads(entry["message"])["message"]
            if message["method"] in ("Network.requestWillBeSent", "Network.webSocketCreated"):
                url = urlsplit(message["params"].get("request", message["params"])["url"])
                if url.scheme in ("http", "https", "ws", "wss"):
                    hosts.add(url.hostname or "")
        return hosts

    def picture(self, path: Path) -> None:
        self.driver.save_screenshot(str(path))

    def quit(self) -> None:
        self.driver.quit()
