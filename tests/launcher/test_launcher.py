"""The launcher's own rules, without installing or serving anything."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import tempfile
import threading
from pathlib import Path
from unittest import TestCase, mock

from launcher import checks, machine, say, serving, toolchain, upgrade, watching
from launcher.database import SOCKET_PATH_LIMIT, Database, secret
from launcher.place import ROOT, fingerprint


def in_folder(case: TestCase) -> Path:
    folder = tempfile.TemporaryDirectory()
    case.addCleanup(folder.cleanup)
    return Path(folder.name)


class Machine(TestCase):
    MISSING = (machine.Need("mariadb-server", lambda: False), machine.Need("gcc", lambda: True))

    def test_without_root_it_names_the_packages(self) -> None:
        def only_apt(name: str) -> str | None:
            return "/usr/bin/" + name if name != "sudo" else None

        with (
            mock.patch("os.geteuid", return_value=1000),
            mock.patch.object(machine, "which", only_apt),
            mock.patch.object(machine, "check_node"),
            self.assertRaises(say.Stop) as caught,
        ):
            machine.require(self.MISSING)
        self.assertIn("apt-get install --yes --no-install-recommends mariadb-server\n", str(caught.exception))

    def test_nothing_missing_installs_nothing(self) -> None:
        with mock.patch.object(machine, "check_node"), mock.patch.object(say, "run") as run:
            machine.require((self.MISSING[1],))
        run.assert_not_called()

    def test_an_old_node_is_named(self) -> None:
        old = subprocess.CompletedProcess([], 0, stdout="v18.19.0\n")
        with mock.patch("subprocess.run", return_value=old), self.assertRaises(say.Stop) as caught:
            machine.check_node()
        self.assertIn("this is v18.19.0", str(caught.exception))


class Ports(TestCase):
    def setUp(self) -> None:
        self.enterContext(mock.patch.object(serving, "PORT_FILE", in_folder(self) / "port"))
        self.enterContext(mock.patch.dict(os.environ))
        os.environ.pop("DESPERTAR_PORT", None)
        self.said = self.enterContext(mock.patch.object(say, "line"))
        self.other = socket.socket()
        self.addCleanup(self.other.close)
        self.other.bind(("127.0.0.1", 0))
        self.other.listen()
        self.busy = self.other.getsockname()[1]

    def test_at_the_first_start_a_busy_port_gives_way_and_the_next_starts_stay_there(self) -> None:
        with mock.patch.object(serving, "USUAL_PORT", self.busy):
            port = serving.choose_port()
            self.assertNotEqual(port, self.busy)
            self.assertIn(str(port), self.said.call_args.args[0])
            self.other.close()
            self.assertEqual(serving.choose_port(), port)

    def test_a_port_that_another_program_took_is_named(self) -> None:
        serving.PORT_FILE.write_text(str(self.busy))
        with mock.patch.object(serving, "PORT_FREED_S", 0.3), self.assertRaises(say.Stop) as stopped:
            serving.choose_port()
        self.assertIn(f"Another program uses port {self.busy}", str(stopped.exception))

    def test_a_port_that_is_freed_soon_is_waited_for(self) -> None:
        serving.PORT_FILE.write_text(str(self.busy))
        freeing = threading.Timer(0.3, self.other.close)
        freeing.start()
        self.addCleanup(freeing.join)
        self.assertEqual(serving.choose_port(), self.busy)


class OneAtATime(TestCase):
    def setUp(self) -> None:
        folder = in_folder(self)
        for name, path in (("RUN", folder), ("LOCK_FILE", folder / "lock"), ("ADDRESS_FILE", folder / "address")):
            patch = mock.patch.object(serving, name, path)
            patch.start()
            self.addCleanup(patch.stop)

    def test_a_second_launcher_learns_the_address(self) -> None:
        with serving.only_one():
            serving.ADDRESS_FILE.write_text("http://127.0.0.1:1/")
            with self.assertRaises(serving.AlreadyRunning) as caught, serving.only_one():
                pass
        self.assertEqual(caught.exception.address, "http://127.0.0.1:1/")
        self.assertFalse(serving.ADDRESS_FILE.exists())

    def test_a_killed_launcher_leaves_no_lock(self) -> None:
        script = (
            "import os, pathlib, sys",
            f"sys.path.insert(0, {str(ROOT)!r})",
            "from launcher import serving",
            f"serving.RUN = pathlib.Path({str(serving.LOCK_FILE.parent)!r})",
            "serving.LOCK_FILE = serving.RUN / 'lock'",
            "serving.ADDRESS_FILE = serving.RUN / 'address'",
            "with serving.only_one(): os._exit(9)",
        )
        done = subprocess.run([sys.executable, "-c", "\n".join(script)], check=False)
        self.assertEqual(done.returncode, 9)
        with serving.only_one():
            self.assertEqual(serving.LOCK_FILE.read_text(), str(os.getpid()))


class PrivateDatabase(TestCase):
    def test_a_long_path_gets_a_short_socket(self) -> None:
        deep = in_folder(self) / ("far" * 40)
        self.assertLessEqual(len(bytes(Database(deep, lasting=False).socket)), SOCKET_PATH_LIMIT)

    def test_a_process_of_another_is_never_ours(self) -> None:
        database = Database(in_folder(self), lasting=False)
        self.assertIsNone(database.pid())
        database.pid_file.write_text(str(os.getpid()))
        self.assertIsNone(database.pid())

    def test_the_password_is_made_once_and_kept_close(self) -> None:
        database = Database(in_folder(self) / "home", lasting=False)
        self.assertEqual(database.password(), database.password())
        self.assertGreater(len(database.password()), 30)
        self.assertEqual((database.home / "password").stat().st_mode & 0o077, 0)


class Stamps(TestCase):
    def test_a_changed_source_is_stale(self) -> None:
        with tempfile.TemporaryDirectory(dir=ROOT) as folder:
            source, mark = Path(folder, "source"), Path(folder, "mark")
            source.write_text("one")
            toolchain.Stamp(mark, fingerprint([source])).set()
            self.assertTrue(toolchain.Stamp(mark, fingerprint([source])).fresh)
            source.write_text("two")
            self.assertFalse(toolchain.Stamp(mark, fingerprint([source])).fresh)


class Counting(TestCase):
    def test_a_runner_that_broke_counts_as_failed(self) -> None:
        self.assertEqual(checks._counted(Path("/nowhere"), 0), (0, 1))
        report = in_folder(self) / "counts.json"
        report.write_text('{"passed": 3, "failed": 0}')
        self.assertEqual(checks._counted(report, 0), (3, 0))
        self.assertEqual(checks._counted(report, 1), (3, 1))

    def test_a_command_that_fails_is_a_failed_check(self) -> None:
        with mock.patch.object(say, "line") as said:
            self.assertEqual(checks.tool(sys.executable, "-c", "print('why'); raise SystemExit(3)")({}), (0, 1))
        self.assertIn("why", said.call_args.args[0])
        self.assertEqual(checks.tool(sys.executable, "-c", "pass")({}), (1, 0))


class Strays(TestCase):
    def test_what_carries_the_mark_is_found_and_ended(self) -> None:
        folder = in_folder(self)
        with mock.patch.object(serving, "VAR", folder), mock.patch.object(serving, "RUN", folder):
            marked = subprocess.Popen(
                [sys.executable, "-c", "import time; time.sleep(600)"],
                env={**os.environ, serving.HOUSE: str(folder)},
                start_new_session=True,
            )
            (folder / "web.pid").write_text(str(marked.pid))
            other = subprocess.Popen([sys.executable, "-c", "import time; time.sleep(600)"], start_new_session=True)
            self.addCleanup(other.wait)
            self.addCleanup(other.kill)
            # A parent collects its children, as init would a stray's.
            threading.Thread(target=marked.wait, daemon=True).start()
            self.assertEqual(serving.strays(), [marked.pid])
            self.assertEqual(serving.clear_strays(), 1)
        self.assertFalse((folder / "web.pid").exists())
        self.assertIsNotNone(marked.wait(10))
        self.assertIsNone(other.poll())


class KeptRunning(TestCase):
    def test_begun_again_at_once_and_then_less_and_less_often(self) -> None:
        folder = in_folder(self)
        begun: list[subprocess.Popen[bytes]] = []

        def begin() -> subprocess.Popen[bytes]:
            begun.append(subprocess.Popen([sys.executable, "-c", "raise SystemExit(3)"]))
            return begun[-1]

        with (
            mock.patch.object(watching, "RUN", folder),
            mock.patch.object(say, "line") as said,
            mock.patch("launcher.watching.time.monotonic") as clock,
        ):
            clock.return_value = 100.0
            kept = watching.Kept("web server", begin)
            waits = []
            for _ in range(4):
                begun[-1].wait()
                before = len(begun)
                kept.look()
                if len(begun) == before and kept.again_at is not None:
                    waits.append(kept.again_at - clock.return_value)
                    clock.return_value = kept.again_at
                    kept.look()
        self.assertEqual((len(begun), waits), (5, [1.0, 2.0, 5.0]))
        self.assertIn("The web server ended by itself (exit 3)", said.call_args_list[0].args[0])
        self.assertEqual((folder / "web-server.pid").read_text(), str(begun[-1].pid))
        begun[-1].wait()


class Secrets(TestCase):
    def test_an_empty_one_is_made_anew(self) -> None:
        path = in_folder(self) / "key"
        path.touch()
        made = secret(path, 32)
        self.assertGreater(len(made), 30)
        self.assertEqual(secret(path, 32), made)
        self.assertEqual(path.stat().st_mode & 0o077, 0)


class SchemaState(TestCase):
    def test_warnings_around_it_do_not_matter(self) -> None:
        printed = 'x.py:1: DeprecationWarning: old\n{"empty": false, "behind": ["kitchen.0009"], "ahead": []}\nbye\n'
        self.assertEqual(upgrade.read_state(printed), upgrade.Schema(empty=False, behind=("kitchen.0009",), ahead=()))


class Undisturbed(TestCase):
    def test_who_asks_meanwhile_is_heard_at_the_end(self) -> None:
        script = (
            "import os, signal, sys",
            f"sys.path.insert(0, {str(ROOT)!r})",
            "from launcher import serving",
            "serving.heed_signals()",
            "try:",
            "    with serving.undisturbed():",
            "        os.kill(os.getpid(), signal.SIGINT); os.kill(os.getpid(), signal.SIGTERM)",
            "        print('whole', flush=True)",
            "except serving.Asked:",
            "    print('asked', flush=True)",
        )
        done = subprocess.run([sys.executable, "-c", "\n".join(script)], capture_output=True, text=True, check=True)
        self.assertEqual([line for line in done.stdout.splitlines() if line in ("whole", "asked")], ["whole", "asked"])
