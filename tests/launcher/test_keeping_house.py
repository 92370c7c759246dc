"""Backups by a rule, certificates for a house alone, the door, the unit of a service: without serving anything."""

from __future__ import annotations

import datetime as dt
import os
import subprocess
import tempfile
from datetime import UTC, datetime, timedelta
from pathlib import Path
from unittest import TestCase, mock

from cryptography import x509
from hypothesis import given
from hypothesis import strategies as st

from config.worker import proxy
from launcher import authority, backup, daily, lan, machine, say, service, soundness
from launcher.machine import which

NOW = datetime.fromisoformat("2026-03-29T12:00:00+00:00").astimezone()


def in_folder(case: TestCase) -> Path:
    folder = tempfile.TemporaryDirectory()
    case.addCleanup(folder.cleanup)
    return Path(folder.name)


def daily_of(*days_ago: float) -> list[str]:
    return [backup.daily_name(NOW - timedelta(days=one)) for one in days_ago]


class TheRule(TestCase):
    def test_seven_days_and_four_weeks(self) -> None:
        """A year of nights: the last seven days, and the last of each of the four weeks before."""
        every = daily_of(*range(365))
        kept = backup.to_be_kept(every, NOW)
        self.assertLessEqual(set(daily_of(*range(7))), kept)
        self.assertLessEqual(len(kept), 7 + 1 + 4)
        ages = sorted((NOW - at).days for name in kept if (at := backup.made_at(name)) is not None)
        self.assertLessEqual(ages[-1], 28)
        self.assertGreaterEqual(ages[-1], 21)

    @given(st.lists(st.floats(0, 400), max_size=60))
    def test_the_latest_is_always_kept_and_nothing_is_made_up(self, days: list[float]) -> None:
        names = daily_of(*days)
        kept = backup.to_be_kept(names, NOW)
        self.assertLessEqual(kept, set(names))
        if names:
            self.assertIn(max(names), kept)

    def test_what_somebody_else_put_there_stays(self) -> None:
        folder = in_folder(self)
        for name in (*daily_of(0, 1, 200), "despertar-20250101-000000.tar.gz", "daily-notes.txt"):
            (folder / name).touch()
        backup.forget_old(folder, NOW)
        left = {file.name for file in folder.iterdir()}
        self.assertEqual(left, {*daily_of(0, 1), "despertar-20250101-000000.tar.gz", "daily-notes.txt"})

    def test_due_once_a_day(self) -> None:
        folder = in_folder(self)
        with mock.patch.object(backup, "FOLDER", folder):
            self.assertTrue(daily.is_due(NOW))
            (folder / daily_of(0.9)[0]).touch()
            self.assertFalse(daily.is_due(NOW))
            self.assertTrue(daily.is_due(NOW + timedelta(hours=3)))


class Authority(TestCase):
    NAMES = ("192.168.1.20", "mill.local")

    def setUp(self) -> None:
        self.folder = in_folder(self)

    def verified(self, host: tuple[str, str]) -> str:
        """What OpenSSL makes of it, which keeps to name constraints (RFC 5280, 6.1) as browsers do."""
        command = ["openssl", "verify", "-CAfile", str(self.folder / "authority.crt"), *host]
        done = subprocess.run([*command, str(self.folder / "house.crt")], capture_output=True, text=True, check=False)
        return done.stdout + done.stderr

    def test_openssl_takes_it_for_its_names_and_for_no_other(self) -> None:
        authority.certificate(self.folder, self.NAMES, datetime.now(UTC))  # noqa: TID251  (OpenSSL asks the clock)
        self.assertIn("OK", self.verified(("-verify_ip", "192.168.1.20")))
        self.assertIn("OK", self.verified(("-verify_hostname", "mill.local")))
        self.assertIn("hostname mismatch", self.verified(("-verify_hostname", "other.local")))

    def test_what_it_may_not_sign_for_openssl_does_not_take(self) -> None:
        now = datetime.now(UTC)  # noqa: TID251
        authority.authority(self.folder, (), now)
        for name in ("bank.example", "8.8.8.8"):
            with self.assertRaises(authority.Unfit):
                authority.certificate(self.folder, (name,), now)
            # Should its key be stolen, its own word does not count.
            with mock.patch.object(authority, "_check"):
                authority.certificate(self.folder, (name,), now)
            self.assertIn("permitted subtree violation", self.verified(("-purpose", "sslserver")))

    def test_kept_while_it_is_good_and_renewed_before_it_ends(self) -> None:
        first = authority.certificate(self.folder, self.NAMES, NOW)
        self.assertLessEqual(first.not_valid_after_utc - first.not_valid_before_utc, dt.timedelta(days=398))
        later = NOW + timedelta(days=300)
        self.assertEqual(authority.certificate(self.folder, self.NAMES, later).serial_number, first.serial_number)
        again = authority.certificate(self.folder, self.NAMES, NOW + timedelta(days=350))
        self.assertNotEqual(again.serial_number, first.serial_number)
        moved = authority.certificate(self.folder, ("192.168.1.21",), NOW + timedelta(days=350))
        self.assertEqual(authority.names_of(moved), {"192.168.1.21"})
        # All by one authority, which phones have installed.
        for made in (again, moved):
            self.assertEqual(made.issuer, first.issuer)
        for key in self.folder.glob("*.key"):
            self.assertEqual(key.stat().st_mode & 0o077, 0)

    def test_an_address_of_its_own_beside_the_private_ones(self) -> None:
        """A machine whose address is none of RFC 1918 is named when its authority is made."""
        made = authority.certificate(self.folder, ("192.0.2.2",), NOW)
        self.assertEqual(authority.names_of(made), {"192.0.2.2"})
        ours = x509.load_pem_x509_certificate((self.folder / "authority.crt").read_bytes())
        subtrees = ours.extensions.get_extension_for_class(x509.NameConstraints).value.permitted_subtrees or []
        self.assertIn("192.0.2.2/32", [str(one.value) for one in subtrees])
        with self.assertRaises(authority.Unfit):
            authority.certificate(self.folder, ("192.0.2.3",), NOW)


class TheDoor(TestCase):
    def test_what_is_asked_must_be_there(self) -> None:
        with self.assertRaisesRegex(say.Stop, "needs both"):
            lan.door("10.0.0.2", Path("a.crt"), None)
        with self.assertRaisesRegex(say.Stop, "There is no file"):
            lan.door("10.0.0.2", Path("/nowhere/a.crt"), Path("/nowhere/a.key"))
        with mock.patch.object(lan, "own_address", return_value=None), self.assertRaisesRegex(say.Stop, "no address"):
            lan.door(None, None, None)

    def test_what_the_application_is_told(self) -> None:
        env = lan.door("10.0.0.2", None, None).env()
        self.assertTrue(env["DESPERTAR_HOSTS"].startswith("10.0.0.2,"))
        self.assertEqual((env["DESPERTAR_HTTPS"], env["DESPERTAR_PROXIES"]), ("1", "1"))
        self.assertEqual(env["DESPERTAR_SIGN_UP"], "invited")

    def test_a_code_of_two_rows_a_line(self) -> None:
        drawn = lan.draw(("## ", "# #", " ##"))
        self.assertEqual([line.count("█") + line.count("▀") + line.count("▄") for line in drawn.split("\n")], [3, 2])

    def test_who_is_believed_about_an_address(self) -> None:
        self.assertEqual(proxy({}), {})
        told = proxy({"DESPERTAR_PROXIES": "2", "DESPERTAR_PROXY_ADDRESS": "10.1.1.1"})
        self.assertEqual((told["trusted_proxy"], told["trusted_proxy_count"]), ("10.1.1.1", 2))


class AsAService(TestCase):
    def test_systemd_takes_the_unit(self) -> None:
        program = which("systemd-analyze")
        if program is None:
            self.skipTest("no systemd here")
        folder = in_folder(self)
        file = folder / service.NAME
        with mock.patch.dict(os.environ, {"DESPERTAR_PORT": "8999"}):
            file.write_text(service.unit(flags="--lan", user="www-data", writes=(folder,)))
        done = subprocess.run([program, "verify", str(file)], capture_output=True, text=True, check=False)
        self.assertEqual((done.returncode, done.stdout + done.stderr), (0, ""))
        text = file.read_text()
        self.assertIn("Environment=DESPERTAR_PORT=8999\n", text)
        self.assertRegex(text, r"ExecStart=\S+ \S+/despertar start --lan\n")

    def test_never_as_root(self) -> None:
        with self.assertRaisesRegex(say.Stop, "needs no root"):
            service._somebody("root")
        with self.assertRaisesRegex(say.Stop, "There is no user"):
            service._somebody("nobody-of-that-name")


class HowItStands(TestCase):
    def test_what_cannot_be_asked_says_so_and_the_rest_goes_on(self) -> None:
        def trouble(*_: object) -> object:
            raise say.Stop("The server is gone.")

        def fine(*_: object) -> object:
            yield soundness.well("fine")

        asked = {"Database": trouble, "Disk": fine}
        with mock.patch.object(soundness, "ASKED", asked):
            found = list(soundness.findings(mock.Mock(), {}, NOW))
        self.assertEqual([one.is_well for one in found], [False, True])
        self.assertIn("Database: this could not be looked at. The server is gone.", found[0].said)

    def test_a_full_disk_and_an_old_backup_ask_for_care(self) -> None:
        folder = in_folder(self)
        (folder / daily_of(3)[0]).touch()
        usage = mock.Mock(free=90_000_000)
        with (
            mock.patch.object(backup, "FOLDER", folder),
            mock.patch.object(daily, "FAILED", folder / "none"),
            mock.patch("launcher.soundness.shutil.disk_usage", return_value=usage),
        ):
            (disk, *_) = soundness.disk(mock.Mock(), {}, NOW)
            (old,) = soundness.backups(mock.Mock(), {}, NOW)
        self.assertFalse(disk.is_well)
        self.assertIn("below 100 MB nothing more is written", disk.said)
        self.assertFalse(old.is_well)
        self.assertIn("72 hours old", old.said)

    def test_a_clock_behind_what_was_written_down(self) -> None:
        db = mock.Mock()
        db.as_root.return_value = f"{(NOW + timedelta(hours=2)).timestamp()}\n"
        (found,) = soundness.clock(db, {}, NOW)
        self.assertFalse(found.is_well)
        self.assertIn("yet something was written down at", found.said)


class WhileSomethingIsInstalled(TestCase):
    def setUp(self) -> None:
        self.policy = in_folder(self) / "policy-rc.d"
        self.enterContext(mock.patch.object(machine, "POLICY", self.policy))

    def test_no_server_begins_and_then_all_may_again(self) -> None:
        with machine._nothing_begins([]):
            done = subprocess.run([str(self.policy)], check=False)
            # "Action not allowed" (Debian Policy 9.3.3, invoke-rc.d).
            self.assertEqual(done.returncode, 101)
        self.assertFalse(self.policy.exists())

    def test_another_ones_policy_stays(self) -> None:
        self.policy.write_text("#!/bin/sh\nexit 0\n")
        with machine._nothing_begins([]):
            self.assertNotIn(machine.OURS, self.policy.read_text())
        machine._forget_policy()
        self.assertTrue(self.policy.exists())

    def test_what_a_killed_installation_left_goes(self) -> None:
        self.policy.write_text(f"#!/bin/sh\n{machine.OURS}\nexit 101\n")
        with mock.patch("os.geteuid", return_value=0):
            machine._forget_policy()
        self.assertFalse(self.policy.exists())
