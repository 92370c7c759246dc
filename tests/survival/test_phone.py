"""On the house network, for real: the launcher, nginx, and a phone in a network of its own that trusts nobody yet."""

from __future__ import annotations

import base64
import re
import socket
import ssl
import tempfile
from pathlib import Path
from typing import ClassVar
from unittest import TestCase

from tests.ports import steady_port
from tests.server.base import PASSWORD
from tests.server.test_photos import jpeg

from .house import House, until
from .phone import STRANGER, Caller, HouseNetwork, Phone


class OnTheHouseNetwork(TestCase):
    network: ClassVar[HouseNetwork]
    house: ClassVar[House]
    address: ClassVar[str]
    trust_page: ClassVar[str]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.network = HouseNetwork()
        cls.addClassCleanup(cls.network.take_up)
        cls.house = House()
        cls.addClassCleanup(cls.house.close)
        door, trust = steady_port(), steady_port()
        cls.house.env |= {"DESPERTAR_LAN_PORT": str(door), "DESPERTAR_TRUST_PORT": str(trust)}
        cls.address = f"https://{cls.network.address}:{door}"
        cls.trust_page = f"http://{cls.network.address}:{trust}"
        cls.open_the_door()

    @classmethod
    def open_the_door(cls) -> None:
        cls.house.start("start", "--lan", "--host", cls.network.address)
        until("the address", lambda: cls.address in cls.house.said())

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory(ignore_cleanup_errors=True)
        self.addCleanup(folder.cleanup)
        self.phone = Phone(self.network, Path(folder.name))
        self.addCleanup(self.phone.put_down)
        self.authority = Path(folder.name, "house.crt")
        self.here = Caller((), self.address, self.authority, Path(folder.name, "here"))

    def owner(self) -> dict[str, str]:
        """The house's first account, whichever test came first."""
        self.authority.write_bytes(self.phone.fetch(f"{self.trust_page}/despertar.crt"))
        ines = {"name": "Ines", "password": PASSWORD}
        comes_in = self.here.post("/api/session", ines)
        if comes_in == 401:
            comes_in = self.here.post("/api/accounts", {**ines, "time_zone": "UTC"})
        self.assertEqual(comes_in, 200, self.house.said())
        return ines

    def sign_in(self) -> None:
        page = self.phone.browser
        page.base = self.address
        page.open("/")
        page.type("Name", "Ines")
        page.type("Password", PASSWORD)
        page.press("button", "Sign in")

    def install(self) -> None:
        self.authority.write_bytes(self.phone.fetch(f"{self.trust_page}/despertar.crt"))
        self.phone.trust(self.authority)

    def test_a_phone_is_let_in_looks_feeds_and_photographs(self) -> None:
        page = self.phone.browser
        page.base = self.address
        # What the machine shows is what the page of trust shows.
        page.driver.get(self.trust_page)
        page.one("heading", "Let this device trust your kitchen")
        rows = re.findall(r"^ +((?:[0-9A-F]{2} ){7}[0-9A-F]{2})$", self.house.said(), re.MULTILINE)
        self.assertEqual(len(rows), 4)
        for row in rows:
            page.sees(row)
        self.assertEqual(page.axe(), [])
        self.assertFalse(page.overflows())
        self.phone.put_down()
        self.install()
        page = self.phone.browser
        page.base = self.address
        self.owner()
        self.sign_in()
        page.sees("The shelf is empty.")
        self.assertEqual(page.driver.execute_script("return [isSecureContext, location.protocol]"), [True, "https:"])

        page.open("/new?all=1")
        page.type("Name", "Heron")
        page.press("button", "Put it on the shelf")
        page.one("tab", "Heron")
        page.press("link", "Mix")
        for _ in range(12):
            page.until("a step", lambda: page.all("button", "Next") or page.all("button", "It is mixed") or None)
            if page.all("button", "It is mixed"):
                break
            step = page.step()
            page.press("button", "Next")
            page.sees_not(step)
        page.press("button", "It is mixed")
        page.one("heading", "Heron is mixed")
        page.press("link", "To the kitchen")
        page.press("link", "Look")
        page.press("toggle", "a few")
        picture = self.phone.home / "jar.jpg"
        picture.write_bytes(jpeg())
        page.choose_file("Photo of the jar", picture)
        page.sees("Take the photo away")
        page.press("button", "Save the look")
        page.one("tab", "Heron")
        until("the photo", lambda: self.house.sql("SELECT COUNT(*) FROM photos_photo") == [["1"]])
        self.assertEqual([one for one in page.console() if "SEVERE" in one], [])

        # It opens on the home screen without a network, and what is noted then arrives.
        page.until(
            "the worker",
            lambda: page.driver.execute_script("return navigator.serviceWorker.controller !== null") or None,
        )
        self.assertEqual(self.installs(), [])
        page.driver.refresh()
        page.one("tab", "Heron")
        self.network.cut() if self.network.is_laid else page.offline(gone=True)
        page.driver.refresh()
        page.one("tab", "Heron")
        self.network.mend() if self.network.is_laid else page.offline(gone=False)

    def installs(self) -> list[str]:
        """What keeps the browser from putting it on the home screen."""
        found = self.phone.browser.driver.execute_cdp_cmd("Page.getInstallabilityErrors", {})
        return [one["errorId"] for one in found["installabilityErrors"]]

    def test_only_its_names_are_answered_and_only_who_is_invited_comes_in(self) -> None:
        self.authority.write_bytes(self.phone.fetch(f"{self.trust_page}/despertar.crt"))
        self.assertEqual(self.phone.opens(f"{self.address}/api/health", self.authority), 200)
        # Another host's name, the kitchen's own port, and a line without encryption lead nowhere.
        self.assertEqual(self.phone.opens(f"{self.address}/", self.authority, "--header", "Host: elsewhere.example"), 0)
        self.assertEqual(
            self.phone.opens(
                f"{self.house.base}/api/health".replace("127.0.0.1", self.network.address), self.authority
            ),
            0,
        )
        plain = self.address.replace("https:", "http:")
        self.assertEqual(self.phone.opens(f"{plain}/api/health", self.authority), 301)
        self.assertEqual(self.phone.opens(f"{self.trust_page}/api/health", self.authority), 301)

        self.phone.trust(self.authority)
        page = self.phone.browser
        page.base = self.address
        self.owner()
        self.sign_in()
        page.press("link", "House")
        page.press("button", "Invite")
        code = page.until(
            "a code", lambda: next(iter(re.findall(r"\b(?:[a-z2-9]{4}-){3}[a-z2-9]{4}\b", page.text())), None)
        )
        page.driver.delete_all_cookies()
        page.driver.execute_script("localStorage.clear()")
        self.sign_up("Hugo", "aaaa-bbbb-cccc-dddd")
        page.sees("This invitation is not known")
        page.type("Invitation", code)
        page.press("button", "Make the account")
        page.one("link", "House")
        page.press("link", "House")
        page.sees("You keep Ines")

    def test_a_strangers_guesses_lock_out_the_stranger_whatever_address_is_claimed(self) -> None:
        self.authority.write_bytes(self.phone.fetch(f"{self.trust_page}/despertar.crt"))
        if not self.network.is_laid:
            self.skipTest("the stranger has no address of its own here")
        stranger = Caller(self.network.within, self.address, self.authority, self.phone.home / "there")
        right = self.owner()
        wrong = {**right, "password": "wrong wrong wrong"}
        answers = [
            stranger.post("/api/session", wrong, "--interface", STRANGER, "-H", f"X-Forwarded-For: 10.9.9.{number}")
            for number in range(7)
        ]
        self.assertEqual((answers[0], answers[-1]), (401, 429))
        self.assertEqual(self.here.post("/api/session", right), 200)

    def test_slow_lines_to_the_door_hold_nobody_up(self) -> None:
        right = self.owner()
        host, port = self.network.address, int(self.address.rsplit(":", 1)[1])
        trusting = ssl.create_default_context(cafile=str(self.authority))
        for number in range(40):
            line = trusting.wrap_socket(socket.create_connection(("127.0.0.1", port)), server_hostname=host)
            self.addCleanup(line.close)
            head = f"POST /api/session HTTP/1.1\r\nHost: {host}:{port}\r\nContent-Length: 900\r\n"
            # Half of them stop in the head, half in the body.
            line.sendall((head if number % 2 else head + "Content-Type: application/json\r\n\r\n{").encode())
        for _ in range(10):
            self.assertEqual(self.here.post("/api/session", right), 200)

    def sign_up(self, name: str, code: str) -> None:
        page = self.phone.browser
        page.open("/")
        page.press("button", "New here? Make an account")
        page.type("Name", name)
        page.type("Password", PASSWORD)
        page.type("Invitation", code)
        page.press("button", "Make the account")

    def test_its_certificate_signs_for_a_house_alone_and_is_kept(self) -> None:
        first = self.phone.fetch(f"{self.trust_page}/despertar.crt")
        self.assertIn(b"BEGIN CERTIFICATE", first)
        der = base64.b64decode(b"".join(first.splitlines()[1:-1]))
        # The OID of name constraints, 2.5.29.30.
        self.assertIn(bytes.fromhex("551d1e"), der)
        for key in (self.house.var / "tls").glob("*.key"):
            self.assertEqual(key.stat().st_mode & 0o077, 0)
        self.house.stop()
        self.open_the_door()
        self.assertEqual(self.phone.fetch(f"{self.trust_page}/despertar.crt"), first)
