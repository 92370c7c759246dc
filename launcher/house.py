"""This house's own database, opened by whoever wants something of it, whether or not the kitchen is served."""

from __future__ import annotations

import os
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager

from . import machine, say, serving, toolchain, upgrade
from .database import Database
from .place import PYTHON, SERVER, VAR


def set_up() -> None:
    machine.require(machine.TO_RUN)
    toolchain.python_packages(checks=False)
    toolchain.jar_model()


def open_database(lock: int, *, demo_kitchen: bool, debug: bool = False) -> dict[str, str]:
    VAR.chmod(0o700)
    with say.step("Starting the database"):
        db = serving.database()
        db.holding = (lock,)
        db.start()
    env = serving.django_env(db, demo=demo_kitchen, debug=debug)
    if demo_kitchen:
        env["DESPERTAR_STANDIN_TOKEN"] = serving.standin_token()
        env["DESPERTAR_CAMERA_TOKEN"] = serving.camera_token()
    with serving.undisturbed(), say.step("Preparing the kitchen"):
        upgrade.prepare(db, env, ["--demo"] if demo_kitchen else [])
    return {**env, serving.HOUSE: str(VAR)}


@contextmanager
def opened(*, makes: bool = False) -> Iterator[tuple[Database, dict[str, str] | None]]:
    """This house's database, whether or not the kitchen is served meanwhile, and the environment of who opened it: None
    where that is a running kitchen. `makes` lays one where there is none."""
    if not makes and (not PYTHON.exists() or not VAR.exists()):
        raise say.Stop("Run ./despertar demo or ./despertar start once first: there is no kitchen yet.")
    db = serving.database()
    try:
        with serving.only_one() as lock:
            try:
                yield db, open_database(lock, demo_kitchen=False)
            finally:
                db.stop()
    except serving.AlreadyRunning:
        yield db, None


def manage(*arguments: str) -> int:
    """Run a command on this house's database, whether or not the kitchen is served meanwhile."""
    if not PYTHON.exists() or not VAR.exists():
        raise say.Stop("Run ./despertar demo or ./despertar start once first: there is no kitchen yet.")
    command = [str(PYTHON), str(SERVER / "manage.py"), *arguments]
    db = serving.database()
    try:
        with serving.only_one() as lock:
            try:
                env = open_database(lock, demo_kitchen=False)
                return subprocess.run(command, env=env, check=False).returncode
            finally:
                db.stop()
    except serving.AlreadyRunning:
        env = {**os.environ, **serving.django_env(db, demo=False)}
        return subprocess.run(command, env=env, check=False).returncode
