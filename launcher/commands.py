"""The commands of `./despertar`."""

from __future__ import annotations

import argparse
import os
import shutil
import subprocess
import sys
import time
from contextlib import suppress
from pathlib import Path

from . import care, checks, house, lan, machine, package, say, service, serving, toolchain, tools, upgrade, watching
from .database import free_port
from .place import CONTRACT, PACKAGED, PYTHON, ROOT, SERVER, VAR, WEB


def demo(arguments: argparse.Namespace) -> int:
    """Set up what is missing and serve the kitchen, the demo kitchen included."""
    return _serve(arguments, demo_kitchen=True)


def start(arguments: argparse.Namespace) -> int:
    """The same without the demo kitchen."""
    return _serve(arguments, demo_kitchen=False)


def dev(_: argparse.Namespace) -> int:
    """The demo with hot reload: Django's and Vite's own development servers."""
    serving.heed_signals()
    try:
        with serving.only_one() as lock:
            _develop(lock)
            raise say.Stop("Django or Vite ended by itself.")
    except serving.AlreadyRunning as running:
        return _runs_already(running)
    except serving.Asked:
        return 0


def _develop(lock: int) -> None:
    processes: list[subprocess.Popen[bytes]] = []
    try:
        serving.clear_strays()
        house.set_up()
        toolchain.npm_packages()
        env = house.open_database(lock, demo_kitchen=True, debug=True)
        port = free_port()
        command = [str(PYTHON), str(SERVER / "manage.py"), "runserver", f"127.0.0.1:{port}"]
        processes.append(subprocess.Popen(command, env=env, start_new_session=True))
        vite = toolchain.npm_run("dev")
        vite_env = {**os.environ, "DESPERTAR_API": f"http://127.0.0.1:{port}", serving.HOUSE: str(VAR)}
        processes.append(subprocess.Popen(vite, cwd=WEB, env=vite_env, start_new_session=True))
        while all(process.poll() is None for process in processes):
            time.sleep(0.5)
    finally:
        for process in processes:
            with suppress(ProcessLookupError):
                os.killpg(process.pid, 15)
        for process in processes:
            serving.end(process)
        serving.database().stop()


def _runs_already(running: serving.AlreadyRunning) -> int:
    where = f"at {running.address}" if running.address else "(it is still starting)"
    say.line(f"Despertar already runs {where}. ./despertar stop ends it.")
    return 0


def stop(_: argparse.Namespace) -> int:
    """Stop what a demo, start or dev of this checkout runs."""
    say.line("Stopped." if serving.stop_running() else "Nothing of this checkout was running.")
    return 0


def reset(arguments: argparse.Namespace) -> int:
    """Delete the database and all made files, after asking; the next start begins with an empty kitchen."""
    if not VAR.exists():
        say.line("There is nothing to reset.")
        return 0
    if not arguments.yes:
        say.line(f"This deletes every jar, log and account kept in {VAR}. It cannot be undone.")
        if care.typed("reset") != "reset":
            say.line("Nothing was changed.")
            return 1
    serving.stop_running()
    shutil.rmtree(VAR)
    say.line("Everything was reset.")
    return 0


def test(arguments: argparse.Namespace) -> int:
    """Run every check and test; the last line counts them."""
    unknown = set(arguments.only) - set(checks.GROUPS)
    if unknown:
        raise say.Stop(f"No such group: {', '.join(sorted(unknown))}. There are {', '.join(checks.GROUPS)}.")
    serving.heed_signals()
    machine.require(machine.TO_TEST)
    toolchain.python_packages(checks=True)
    toolchain.npm_packages()
    toolchain.jar_model()
    return checks.run_all(arguments.only)


def contract(_: argparse.Namespace) -> int:
    """Write the API's contract and the client's types anew from the server's code."""
    env = serving.django_env(checks.test_database(), demo=True)
    return 0 if checks.write_contract(env, CONTRACT, checks.CLIENT_TYPES) == (1, 0) else 1


def audit(_: argparse.Namespace) -> int:
    """Ask the registries for known faults in what the lock files name."""
    machine.require(machine.TO_TEST)
    return tools.audit()


def mutants(arguments: argparse.Namespace) -> int:
    """Break the core on purpose and list what no test noticed; takes about half an hour."""
    return tools.mutants(arguments.rooms)


def export(arguments: argparse.Namespace) -> int:
    """Write all that a baker owns to a file: a data package (.zip) or one JSON document (.json)."""
    file = arguments.file
    return house.manage("parcel", "out", arguments.baker, str(file), *(["--without-photos"] * arguments.without_photos))


def take_in(arguments: argparse.Namespace) -> int:
    """Take such a file in for a baker of this house."""
    return house.manage("parcel", "in", arguments.baker, str(arguments.file))


def accounts(arguments: argparse.Namespace) -> int:
    """List the accounts; lock one, unlock it, or make a link by which its baker sets a new password."""
    return house.manage("accounts", arguments.do, *arguments.baker)


def ferment(arguments: argparse.Namespace) -> int:
    """The core's own command line: one JSON document out."""
    if not PYTHON.exists():
        raise say.Stop("Run ./despertar demo or ./despertar test once first: it makes the virtual environment.")
    command = [PYTHON, "-m", "ferment", *arguments.rest]
    return subprocess.run(command, env=toolchain.python_env(), check=False).returncode


def _door(arguments: argparse.Namespace) -> lan.Door | None:
    if not arguments.lan:
        return None
    machine.require(machine.TO_SERVE_A_HOUSE)
    return lan.door(arguments.host, arguments.certificate, arguments.key)


def _serve(arguments: argparse.Namespace, *, demo_kitchen: bool) -> int:
    serving.heed_signals()
    db = serving.database()
    kept: list[watching.Kept] = []
    ours = False
    try:
        with serving.only_one() as lock:
            ours = True
            say.line("Despertar")
            serving.clear_strays()
            house.set_up()
            toolchain.front_end()
            door = _door(arguments)
            env = house.open_database(lock, demo_kitchen=demo_kitchen) | (door.env() if door else {})
            env |= serving.metrics_env()
            port = serving.choose_port()
            scale = serving.scale_port()
            if demo_kitchen:
                env["DESPERTAR_SCALE"] = f"http://127.0.0.1:{scale}"
            with say.step("Starting the web server"):
                web = watching.Kept("web server", lambda: serving.gunicorn(env, port))
                kept.append(web)
                serving.wait_until_it_answers(port, web.process)
            address = _open_door(door, port, env, kept) if door else f"http://127.0.0.1:{port}/"
            serving.ADDRESS_FILE.write_text(address)
            say.line(f"\n  Open {address}")
            kept.append(watching.Kept("reminders", lambda: serving.reminders(env)))
            if serving.METRICS:
                kept.append(watching.Kept("metrics", lambda: serving.metrics(env)))
            if not demo_kitchen:
                kept.append(watching.Kept("backups", lambda: serving.backups(env)))
            if demo_kitchen:
                kept.append(watching.Kept("simulated scale", lambda: serving.scale(env, scale)))
                kept.append(watching.Kept("simulated thermometer", lambda: serving.thermometer(env, port)))
                say.line(f"  A simulated kitchen scale to play with: {env['DESPERTAR_SCALE']}/")
                _watch(env, port, kept)
            say.line("  Ctrl-C stops it.\n")
            watching.keep(db, kept, lambda: upgrade.prepare(db, env, []), time.sleep)
    except serving.AlreadyRunning as running:
        return _runs_already(running)
    except serving.Asked:
        say.line("\n  Stopping …")
        return 0
    finally:
        for one in reversed(kept):
            serving.end(one.process)
        if ours:
            db.stop()
            serving.clear_strays()
    return 0


def _watch(env: dict[str, str], port: int, kept: list[watching.Kept]) -> None:
    """A simulated camera before the demo's jar."""
    course, own = serving.camera_course(env), serving.camera_port()
    if course:
        kept.append(watching.Kept("simulated camera", lambda: serving.camera(env, port, own, course)))
        say.line(f"  A simulated camera to play with: http://127.0.0.1:{own}/")


def _open_door(door: lan.Door, port: int, env: dict[str, str], kept: list[watching.Kept]) -> str:
    """Over HTTPS in the house network; says what a phone needs to trust it."""
    with say.step("Opening the door to the house network"):
        trust = lan.certify(door)
        way = watching.Kept("door", lambda: lan.nginx(door, port, env))
        kept.append(way)
        lan.wait_until_open(way.process)
    if trust:
        say.line(f"\n  Once for each phone or laptop: scan this, or open {door.trust_address}\n")
        say.line(lan.draw(trust.code))
        say.line("\n  The certificate's fingerprint, to compare (SHA-256):")
        for row in lan.fingerprint_rows(trust.fingerprint):
            say.line(f"    {row}")
    return door.address


# What is made of sources, which a Debian package does not bring, and what the package does itself.
OF_A_CHECKOUT = frozenset({"dev", "test", "contract", "audit", "mutants", "package", "service", "upgrade"})


def _file(text: str) -> Path:
    """A file as it is named where the command is given."""
    return Path(text).absolute()


def main(arguments: list[str]) -> int:
    # What is made here is nobody else's: photos, logs, the database, its password.
    os.umask(0o077)
    parser = argparse.ArgumentParser(prog="./despertar", description="Raise a sourdough starter, day by day.")
    commands = parser.add_subparsers(dest="command", required=True)
    for name, act in (("demo", demo), ("start", start)):
        parser_serve = commands.add_parser(name, help=act.__doc__)
        parser_serve.add_argument("--lan", action="store_true", help="on the house network too, over HTTPS")
        parser_serve.add_argument("--host", metavar="ADDRESS", help="this machine's address or name there")
        parser_serve.add_argument("--certificate", type=_file, metavar="FILE", help="a certificate of your own (PEM)")
        parser_serve.add_argument("--key", type=_file, metavar="FILE", help="and its key")
        parser_serve.set_defaults(act=act)
    for name, plain in (
        ("dev", dev),
        ("stop", stop),
        ("contract", contract),
        ("audit", audit),
        ("check", care.check),
        ("upgrade", care.upgrade_house),
    ):
        commands.add_parser(name, help=plain.__doc__).set_defaults(act=plain)
    parser_reset = commands.add_parser("reset", help=reset.__doc__)
    parser_reset.add_argument("--yes", action="store_true", help="do not ask")
    parser_reset.set_defaults(act=reset)
    parser_test = commands.add_parser("test", help=test.__doc__)
    parser_test.add_argument("only", nargs="*", metavar="GROUP", help=f"only these: {', '.join(checks.GROUPS)}")
    parser_test.set_defaults(act=test)
    for name, carry in (("export", export), ("import", take_in)):
        parser_file = commands.add_parser(name, help=carry.__doc__)
        parser_file.add_argument("baker", metavar="NAME", help="name of the account")
        parser_file.add_argument("file", type=_file, metavar="FILE")
        if carry is export:
            parser_file.add_argument("--without-photos", action="store_true")
        parser_file.set_defaults(act=carry)
    parser_backup = commands.add_parser("backup", help=care.write_backup.__doc__)
    parser_backup.add_argument("file", type=_file, nargs="?", metavar="FILE")
    parser_backup.add_argument("--keys", type=_file, metavar="FILE", help="write the keys of this house too, apart")
    parser_backup.set_defaults(act=care.write_backup)
    parser_service = commands.add_parser("service", help=service.service.__doc__)
    parser_service.add_argument("--lan", action="store_true", help="on the house network too, over HTTPS")
    parser_service.add_argument("--host", metavar="ADDRESS", help="this machine's address or name there")
    parser_service.add_argument("--user", metavar="NAME", help="who it runs as, where root writes it")
    parser_service.add_argument("--show", action="store_true", help="print the unit and change nothing")
    parser_service.set_defaults(act=service.service)
    parser_restore = commands.add_parser("restore", help=care.restore.__doc__)
    parser_restore.add_argument("file", type=_file, metavar="FILE")
    parser_restore.add_argument("--yes", action="store_true", help="do not ask")
    parser_restore.set_defaults(act=care.restore)
    parser_package = commands.add_parser("package", help=package.package.__doc__)
    parser_package.add_argument("folder", type=_file, nargs="?", metavar="FOLDER")
    parser_package.set_defaults(act=package.package)
    parser_accounts = commands.add_parser("accounts", help=accounts.__doc__)
    parser_accounts.add_argument("do", choices=("list", "lock", "unlock", "reset"))
    parser_accounts.add_argument("baker", nargs="*", metavar="NAME")
    parser_accounts.set_defaults(act=accounts)
    parser_mutants = commands.add_parser("mutants", help=mutants.__doc__)
    parser_mutants.add_argument("rooms", nargs="*", metavar="ROOM", help=f"only these: {', '.join(tools.ROOMS)}")
    parser_mutants.set_defaults(act=mutants)
    parser_ferment = commands.add_parser("ferment", help=ferment.__doc__, add_help=False)
    parser_ferment.add_argument("rest", nargs=argparse.REMAINDER)
    parser_ferment.set_defaults(act=ferment)
    # What follows `ferment` belongs to the core's own parser, its --help included.
    if arguments[:1] == ["ferment"]:
        parsed = argparse.Namespace(command="ferment", act=ferment, rest=arguments[1:])
    else:
        parsed = parser.parse_args(arguments)
    os.chdir(ROOT)
    try:
        if PACKAGED and parsed.command in OF_A_CHECKOUT:
            raise say.Stop(f"{parsed.command} is for a checkout of the sources. Here apt and systemctl do such things.")
        return int(parsed.act(parsed))
    except say.Stop as reason:
        print(f"\n{reason}", file=sys.stderr)
        return 1
    except serving.Asked:
        return 130
