"""A kitchen goes out as a file and comes in again: on another machine, twice, as a copy, broken, foreign or newer."""

from __future__ import annotations

import csv
import io
import json
import shutil
import subprocess
import tempfile
import zipfile
from datetime import timedelta
from pathlib import Path
from typing import Any, ClassVar
from unittest import mock
from uuid import UUID, uuid4

import frictionless
import jsonschema
import pandas as pd  # type: ignore[import-untyped]
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import CommandError, call_command
from django.test import Client, TestCase, override_settings
from django.utils import timezone

from accounts.models import Account
from demo.services import hang_thermometer, lay_kitchen
from kitchen.models import Jar
from logbook.models import Change, Entry
from parcel.services import MOST_PART, Form, pack
from photos.models import Photo
from watching.models import Camera, Picture

from .base import Baker, ago, files_of_its_own, look_body, record

TOKEN = "a thermometer's own"
# What may differ between two machines: who owns it, how often it was written, which hand wrote it.
NOT_OF_THE_JAR = frozenset({"revision", "owner", "kitchen_id", "recorded_by", "is_demo", "demo"})


def without(told: Any) -> Any:
    match told:
        case dict():
            return {name: without(value) for name, value in told.items() if name not in NOT_OF_THE_JAR}
        case list():
            return [without(one) for one in told]
        case _:
            return told


def send(baker: Baker, file: bytes, parcel_id: str = "") -> tuple[int, Any]:
    """In pieces of some kilobytes, as a browser sends it; answers what opening it said."""
    parcel_id = parcel_id or str(uuid4())
    for offset in range(0, len(file), 2_000_000):
        part = SimpleUploadedFile("part", file[offset : offset + 2_000_000])
        answer = baker.client.post(f"/api/parcels/{parcel_id}/parts?offset={offset}", {"part": part})
        assert answer.status_code == 200, answer.content
    status, told = baker.call("POST", f"/api/parcels/{parcel_id}/open")
    done, of = 0, 1
    while status == 200 and done < of:
        found = baker.ok("POST", f"/api/parcels/{parcel_id}/photos?start={done}")
        done, of = found["done"], found["of"]
    return status, told


def fault(answer: tuple[int, Any]) -> tuple[int, str, dict[str, Any]]:
    status, told = answer
    return status, told["errors"][0]["code"], told["errors"][0]["facts"]


def packed(account: Account, form: Form, *, with_photos: bool = True) -> bytes:
    with pack(account, form, timezone.now(), with_photos=with_photos) as file:
        return file.read()


def remade(file: bytes, **changed: str) -> bytes:
    """The same package with other members: `jars` for `jars.csv`, `datapackage` for its descriptor."""
    names = {f"{name}.json" if name == "datapackage" else f"{name}.csv": text for name, text in changed.items()}
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(file)) as old, zipfile.ZipFile(out, "w") as new:
        for member in old.namelist():
            new.writestr(member, names.get(member, old.read(member)))
    return out.getvalue()


def watched_feed(account: Account) -> UUID:
    """A camera saw the last feed of a jar rise and fall; of one picture it could not tell. Answers the jar."""
    entry = Entry.objects.filter(jar__kitchen__owner=account, jar__name="Harbour", kind="feed").order_by("at").last()
    assert entry is not None
    camera = Camera.objects.create(id=uuid4(), jar=entry.jar, kind="posts", made_at=entry.at)
    levels = ((0.1, 1.0), (1.0, 1.1), (2.0, 1.5), (3.0, 2.0), (4.0, 2.3), (5.0, 2.2), (6.0, 1.9), (7.0, None))
    for hours, level in levels:
        read: dict[str, Any] = {"level": level, "error": 0.02} if level else {"cause": "dark"}
        at = entry.at + timedelta(hours=hours)
        if at < timezone.now():
            Picture.objects.create(camera=camera, at=at, feed=entry.id, tells=True, **read)
    return entry.jar_id


class WholeKitchen(TestCase):
    """The demo kitchen: jars raised, kept, binned; photos, a bake, a discard jar, a thermometer, flours."""

    account: ClassVar[Account]
    files: ClassVar[dict[Form, bytes]]
    # The jar that a camera watched.
    watched: ClassVar[UUID]

    @classmethod
    def setUpTestData(cls) -> None:
        folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        with override_settings(DESPERTAR_FILES=folder.name):
            lay_kitchen(timezone.now())
            hang_thermometer(TOKEN)
            cls.account = Account.objects.get(is_demo=True)
            Client(HTTP_AUTHORIZATION=f"Bearer {TOKEN}").post(
                "/api/degrees",
                {"readings": [{"at": ago(hours), "celsius": 20.0 + hours / 10} for hours in (0.4, 0.9, 1.6, 2.5, 3.5)]},
                content_type="application/json",
            )
            entry = Entry.objects.filter(jar__kitchen__owner=cls.account, kind="look").order_by("at")[0]
            said = dict(entry.body)
            Change.objects.create(
                entry=entry, what="amended", at=entry.at, body=said, made_at=timezone.now(), made_by=cls.account
            )
            cls.watched = watched_feed(cls.account)
            cls.files = {form: packed(cls.account, form) for form in Form}

    def setUp(self) -> None:
        files_of_its_own(self)
        now = mock.patch.object(timezone, "now", return_value=timezone.now())
        now.start()
        self.addCleanup(now.stop)

    def pages(self, baker: Baker) -> dict[str, Any]:
        """Everything that is said of the kitchen."""
        paths = ["/api/kitchen", "/api/flours", "/api/flour", "/api/stock", "/api/discard", "/api/hours"]
        trials = baker.ok("GET", "/api/trials")
        paths += ["/api/trials", *(f"/api/trials/{trial['id']}" for trial in trials)]
        jars = [one["jar"]["id"] for one in baker.ok("GET", "/api/kitchen")["jars"]]
        paths += [f"/api/jars/{jar}{page}" for jar in jars for page in ("", "/plan", "/keeping")]
        return {path: without(baker.ok("GET", path)) for path in paths}

    def moved_out(self) -> dict[str, Any]:
        """What the pages said here; then it is another machine."""
        demo = Baker("demo baker")
        demo.client.force_login(self.account, "django.contrib.auth.backends.ModelBackend")
        said = self.pages(demo)
        Account.objects.all().delete()
        self.assertEqual((Jar.objects.count(), Entry.objects.count(), Photo.objects.count()), (0, 0, 0))
        return said

    def test_on_another_machine_every_page_says_the_same(self) -> None:
        entries, changes = Entry.objects.count(), Change.objects.count()
        photos = Photo.objects.count()
        said = self.moved_out()
        self.assertIsNotNone(said[f"/api/jars/{self.watched}"]["watched"])
        for form in Form:
            with self.subTest(form=form):
                Account.objects.all().delete()
                baker = Baker("Ines").sign_up()
                status, told = send(baker, self.files[form])
                self.assertEqual(
                    (status, told["as_copy"], told["entries"], told["photos"]), (200, False, entries, photos)
                )
                self.assertEqual((Entry.objects.count(), Change.objects.count()), (entries, changes))
                self.assertEqual(Photo.objects.count(), photos)
                now_said = self.pages(baker)
                for path, page in said.items():
                    self.assertEqual(now_said.get(path), page, path)
                # Out again it is the same but for who wrote it and the pictures made anew.
                again = json.loads(packed(Account.objects.get(name="Ines"), Form.DOCUMENT, with_photos=False))
                before = json.loads(self.files[Form.DOCUMENT])
                for table in (
                    "jars",
                    "flours",
                    "discard",
                    "trials",
                    "cameras",
                    "levels",
                    "readings",
                    "thermometers",
                    "changes",
                    "feeds",
                    "looks",
                ):
                    same = [{k: v for k, v in row.items() if k != "made_by"} for row in again[table]]
                    self.assertEqual(same, [{k: v for k, v in row.items() if k != "made_by"} for row in before[table]])

    def test_twice_in_makes_it_once(self) -> None:
        self.moved_out()
        baker = Baker("Ines").sign_up()
        send(baker, self.files[Form.PACKAGE])
        counts = [model.objects.count() for model in (Jar, Entry, Change, Photo)]
        status, told = send(baker, self.files[Form.DOCUMENT])
        self.assertEqual(status, 200)
        self.assertEqual({told[name] for name in ("jars", "entries", "readings", "flours", "discard", "photos")}, {0})
        self.assertEqual([model.objects.count() for model in (Jar, Entry, Change, Photo)], counts)

    def test_beside_the_account_that_has_it_it_is_a_copy_and_the_same_one_twice(self) -> None:
        baker = Baker("Ines").sign_up()
        for new in (Jar.objects.count(), 0):
            status, told = send(baker, self.files[Form.PACKAGE])
            self.assertEqual((status, told["as_copy"], told["jars"]), (200, True, new))
        own = baker.ok("GET", "/api/kitchen")["jars"]
        self.assertEqual(
            sorted(one["jar"]["name"] for one in own),
            sorted(Jar.objects.filter(kitchen__owner=self.account, put_away_at=None).values_list("name", flat=True)),
        )
        Jar.objects.filter(kitchen__owner__name="Ines").delete()
        self.assertTrue(Jar.objects.filter(kitchen__owner=self.account).exists())

    def test_read_by_those_who_did_not_write_it(self) -> None:
        """The Frictionless framework, pandas, JSON Schema, and Debian's Gnumeric."""
        with tempfile.TemporaryDirectory() as folder:
            with zipfile.ZipFile(io.BytesIO(self.files[Form.PACKAGE])) as zipped:
                zipped.extractall(folder)
            report = frictionless.validate(f"{folder}/datapackage.json")
            self.assertTrue(report.valid, report.flatten(["message"])[:3])
            feeds = pd.read_csv(f"{folder}/feeds.csv", parse_dates=["at"])
            self.assertEqual(len(feeds), Entry.objects.filter(kind="feed", withdrawn_at=None).count())
            self.assertAlmostEqual(
                feeds["flour_g"].sum(),
                sum(part["g"] for one in Entry.objects.filter(kind="feed") for part in one.body["flours"]),
                places=3,
            )
            program = shutil.which("ssconvert")
            assert program is not None
            out = Path(folder, "looks.tsv")
            subprocess.run(
                [program, "--export-type=Gnumeric_stf:stf_csv", f"{folder}/looks.csv", str(out)],
                check=True,
                capture_output=True,
                timeout=60,
            )
            with out.open() as file, Path(folder, "looks.csv").open(newline="") as written:
                self.assertEqual(
                    [row["id"] for row in csv.DictReader(file)], [row["id"] for row in csv.DictReader(written)]
                )
        told = json.loads(self.files[Form.DOCUMENT])
        schema = json.loads(Client().get("/api/parcel/schema.json").content)
        jsonschema.Draft202012Validator(schema).validate(told)
        self.assertEqual(len(told["pictures"]), len(told["photos"]))

    def test_one_jar_and_without_photos(self) -> None:
        demo = Baker("demo baker")
        demo.client.force_login(self.account, "django.contrib.auth.backends.ModelBackend")
        jar = Photo.objects.values_list("jar_id", flat=True)[0]
        answer = demo.client.get(f"/api/parcel.json?jar={jar}&photos=false")
        told = json.loads(b"".join(answer.streaming_content))  # type: ignore[attr-defined]
        self.assertEqual(([row["id"] for row in told["jars"]], told["photos"], told["flours"]), ([str(jar)], [], []))
        self.assertEqual({row["jar"] for row in told["entries"]}, {str(jar)})
        other = Baker("Noor").sign_up()
        self.assertEqual(other.client.get(f"/api/parcel.zip?jar={jar}").status_code, 404)
        self.assertEqual(Client().get("/api/parcel.zip").status_code, 401)

    def test_the_demo_takes_nothing_in(self) -> None:
        demo = Baker("demo baker")
        demo.client.force_login(self.account, "django.contrib.auth.backends.ModelBackend")
        part = SimpleUploadedFile("part", b"{}")
        answer = demo.client.post(f"/api/parcels/{uuid4()}/parts?offset=0", {"part": part})
        self.assertEqual(answer.json()["errors"][0]["code"], "not_in_the_demo")


class Refused(TestCase):
    def setUp(self) -> None:
        files_of_its_own(self)
        self.baker = Baker("Ines").sign_up().always_home().plan(name="Moth").mix(30.0)
        self.baker.look(20.0, note="apple, at last")
        self.account = Account.objects.get(name="Ines")
        self.file = packed(self.account, Form.PACKAGE)
        self.other = Baker("Noor").sign_up()

    def table(self, name: str) -> list[dict[str, str]]:
        with zipfile.ZipFile(io.BytesIO(self.file)) as zipped:
            return list(csv.DictReader(io.StringIO(zipped.read(f"{name}.csv").decode(), newline="")))

    def with_row(self, name: str, row: int, **cells: str) -> bytes:
        rows = self.table(name)
        rows[row] |= cells
        out = io.StringIO(newline="")
        writer = csv.DictWriter(out, list(rows[0]))
        writer.writeheader()
        writer.writerows(rows)
        return remade(self.file, **{name: out.getvalue()})

    def nothing_was_written(self) -> None:
        self.assertEqual(self.other.ok("GET", "/api/kitchen")["jars"], [])
        self.assertEqual(self.other.ok("GET", "/api/flours")["flours"], [])

    def test_a_foreign_file_and_one_to_come(self) -> None:
        descriptor = {"format": "despertar.kitchen", "version": "7.0.0"}
        for file, code in (
            (b"\x89PNG and so on", "parcel_foreign"),
            (b"PK\x03\x04 cut off", "parcel_foreign"),
            (b'{"format": "recipes", "version": 1}', "parcel_foreign"),
            (b'{"format": "despertar.kitchen", "version": 2}', "parcel_newer"),
            (remade(self.file, datapackage=json.dumps(descriptor)), "parcel_newer"),
            (remade(self.file, datapackage="{}"), "parcel_foreign"),
        ):
            with self.subTest(file=file[:30]):
                status, found, _ = fault(send(self.other, file))
                self.assertEqual((status, found), (422, code))
        self.nothing_was_written()

    def test_a_fault_is_told_by_its_row_and_nothing_is_half_written(self) -> None:
        body = json.loads(self.table("entries")[1]["body"])
        for file, place in (
            (self.with_row("entries", 1, at="yesterday"), ("entries", 2.0, "at")),
            (self.with_row("entries", 1, at=""), ("entries", 2.0, "at")),
            (self.with_row("entries", 1, body=json.dumps({**body, "level": 3})), ("entries", 2.0, "look.level")),
            (self.with_row("entries", 1, body="{"), ("entries", 2.0, "body")),
            (self.with_row("jars", 0, volume_ml="a lot"), ("jars", 1.0, "volume_ml")),
            (self.with_row("jars", 0, id="moth"), ("jars", 1.0, "id")),
            (self.with_row("jars", 0, choices='{"every_moon": 1}'), ("jars", 1.0, "every_moon")),
            (self.with_row("jars", 0, ready_after="soon"), ("jars", 1.0, "ready_after")),
            (remade(self.file, jars="name\r\nMoth\r\n"), ("jars", 0.0, "id")),
        ):
            with self.subTest(place=place):
                status, code, facts = fault(send(self.other, file))
                self.assertEqual((status, code), (422, "parcel_fault"))
                self.assertEqual((facts["table"], facts["row"], facts["column"]), place)
        self.nothing_was_written()

    def test_parts_come_one_after_the_other(self) -> None:
        parcel, half = str(uuid4()), len(self.file) // 2
        path = f"/api/parcels/{parcel}/parts"

        def part(offset: int, data: bytes) -> tuple[int, Any]:
            answer = self.other.client.post(f"{path}?offset={offset}", {"part": SimpleUploadedFile("part", data)})
            return answer.status_code, answer.json()

        self.assertEqual(part(0, self.file[:half]), (200, {"received": half}))
        status, code, facts = fault(part(half + 1, b"x"))
        self.assertEqual((status, code, facts), (409, "parcel_part", {"expected": float(half)}))
        self.assertEqual(part(half, self.file[half:]), (200, {"received": len(self.file)}))
        # Another account's parcel is not there.
        self.assertEqual(self.baker.call("POST", f"/api/parcels/{parcel}/open")[0], 404)
        self.assertEqual(self.other.call("POST", f"/api/parcels/{parcel}/open")[0], 200)
        self.assertEqual(self.other.ok("GET", "/api/kitchen")["jars"][0]["jar"]["name"], "Moth")
        self.assertLess(MOST_PART, 10_000_000)

    def test_what_was_written_here_since_stays(self) -> None:
        (mix, look) = Entry.objects.order_by("at")
        body = {**look_body(20.0), "at": look.at.isoformat(), "note": "banana"}
        self.baker.ok("PUT", f"/api/log/{look.id}", {"revision": 1, "entry": body})
        self.baker.ok("POST", f"/api/jars/{self.baker.jar_id}/log", record(look_body(2.0)))
        status, told = send(self.baker, self.file)
        self.assertEqual((status, told["entries"], told["as_copy"]), (200, 0, False))
        self.assertEqual(Entry.objects.get(id=look.id).body["note"], "banana")
        self.assertEqual(Entry.objects.count(), 3)
        self.assertTrue(Entry.objects.filter(id=mix.id).exists())


class ByCommand(TestCase):
    def test_out_and_in_again(self) -> None:
        files_of_its_own(self)
        Baker("Ines").sign_up().always_home().plan(name="Moth").mix(30.0)
        Baker("Noor").sign_up()
        with tempfile.TemporaryDirectory() as folder:
            for name in ("kitchen.zip", "kitchen.json"):
                out, file = io.StringIO(), f"{folder}/{name}"
                call_command("parcel", "out", "Ines", file, stdout=out)
                self.assertIn(name, out.getvalue())
                self.assertEqual(Path(file).stat().st_mode & 0o077, 0)
                call_command("parcel", "in", "Noor", file, stdout=out)
            self.assertEqual(Jar.objects.filter(kitchen__owner__name="Noor").count(), 1)
            with self.assertRaisesMessage(CommandError, "no baker named Oren"):
                call_command("parcel", "out", "Oren", f"{folder}/x.zip")
            Path(folder, "x.json").write_text("[]")
            with self.assertRaisesMessage(CommandError, "Nothing was taken in: parcel foreign"):
                call_command("parcel", "in", "Noor", f"{folder}/x.json")
            with self.assertRaisesMessage(CommandError, "cannot be read"):
                call_command("parcel", "in", "Noor", f"{folder}/y.json")
