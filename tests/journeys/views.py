"""Every place of the application, with a jar of the demo kitchen where one is needed; read whole, folds opened."""

from __future__ import annotations

from collections.abc import Iterator

from .browser import Browser, spaced

PRACTICE = ("/practice", "/practice/hush?seed=7")
OF_ALL = (
    "/",
    "/new",
    "/new?all=1",
    "/trials",
    "/signs",
    "/house",
    "/yours",
    "/flour",
    "/discard",
    "/reckoner",
    *PRACTICE,
)
REALMS = tuple(f"/reckoner?sum={realm}" for realm in ("feed", "thickness", "build", "slip", "units", "recipe"))
OF_A_JAR = (
    *(
        "",
        "/look",
        "/feed",
        "/plan",
        "/bin",
        "/keep",
        "/bake",
        "/part",
        "/away",
        "/photos",
        "/watch",
        "/sheet",
        "/bring",
        "/beside",
        "/otherwise",
    ),
    *("/change", "/change/moved", "/change/jar", "/change/amount", "/change/flour", "/change/rhythm", "/change/way"),
)
_UNFOLD = "document.querySelectorAll('details').forEach((one) => { one.open = true })"
# What is read by eye or aloud: texts, names, descriptions, values; the browser itself writes dates and hours.
_READ = """
const foreign = (one) => one.closest('[lang]:not(html)') !== null;
const texts = [document.title];
for (const one of document.querySelectorAll('body *')) {
  if (foreign(one) || !one.checkVisibility()) continue;
  for (const name of ['aria-label', 'aria-valuetext', 'aria-description', 'placeholder', 'title', 'alt'])
    if (one.hasAttribute(name)) texts.push(one.getAttribute(name));
  if (['title', 'desc', 'option'].includes(one.localName)) texts.push(one.textContent);
  if (one.localName === 'input' && one.type === 'text') texts.push(one.value);
  for (const child of one.childNodes) if (child.nodeType === 3) texts.push(child.data);
}
return texts.filter((text) => text && text.trim() !== '')
"""


def read(page: Browser) -> list[str]:
    """Every text of what is shown now."""
    return [spaced(text).strip() for text in page.driver.execute_script(_READ)]


# What stands beyond the edge of the screen where nothing scrolls there, and text that its own box cuts off.
_OVERFLOWS = """
const wide = document.documentElement.clientWidth, found = [];
const said = (one) => `${one.localName} ${one.textContent.trim().slice(0, 40)}`;
const scrolls = (one) => { for (let up = one.parentElement; up; up = up.parentElement)
  if (['auto', 'scroll'].includes(getComputedStyle(up).overflowX)) return true; return false };
const isBeyond = document.documentElement.scrollWidth > wide + 1;
for (const one of document.querySelectorAll('body *')) {
  if (!one.checkVisibility() || one.closest('svg')) continue;
  const { left, right, width } = one.getBoundingClientRect();
  if (width <= 1) continue;
  if (isBeyond && (right > wide + 1 || left < -1) && !scrolls(one)) found.push(said(one));
  const cuts = ['hidden', 'clip'].includes(getComputedStyle(one).overflowX);
  if (cuts && one.scrollWidth > one.clientWidth + 1 && one.textContent.trim() !== '') found.push(said(one));
}
return [...new Set(found)]
"""


def overflows(page: Browser) -> list[str]:
    """What does not find its room on the screen as wide as it is now."""
    found: list[str] = page.driver.execute_script(_OVERFLOWS)
    return found


def visit(page: Browser, jar: str) -> Iterator[str]:
    """Go from place to place; `jar` is the address of a jar's page. Each is named when it stands still, unfolded."""
    for path in (*OF_ALL, *REALMS, *(jar + part for part in OF_A_JAR)):
        page.open(path)
        page.until(f"a heading at {path}", lambda: page.all("heading") or None)
        page.settled()
        page.driver.execute_script(_UNFOLD)
        page.settled()
        yield path.replace(jar, "/jar")
    page.open("/trials")
    link = page.until("a trial", lambda: page.driver.find_elements("css selector", "main a[href^='/trials/']") or None)
    page.press_element(link[0])
    page.until("its heading", lambda: True if page.path.startswith("/trials/") and page.all("heading") else None)
    page.settled()
    page.driver.execute_script(_UNFOLD)
    page.settled()
    yield "/trial"
