"""A server killed again and again under five clients that write by every route, and every command: what was answered has to be there,
whole, and once.

Run as a program it kills as often as it is told (`make crash-test`: 200 times) and prints what was found.
"""

import argparse
import json
import random
import secrets
import shutil
import sqlite3
import tempfile
import threading
import time
from collections import Counter
from collections.abc import Callable
from contextlib import closing, suppress
from dataclasses import dataclass, field
from http.client import HTTPException
from importlib import resources
from pathlib import Path
from urllib.error import HTTPError, URLError
from urllib.request import Request, urlopen

from support.app_server import AppServer
from support.every_write import WRITES, Write
from support.killed import killed, run
from support.notebook_spec import ORCHARD

from oenomel import cli
from oenomel.demo import scenario
from oenomel.schemas.house_file import house_text
from oenomel.services.import_export.gather import gather_house
from oenomel.store import backups, database

CLIENTS = 5
DEMO_DRINKS = 11
NO_ANSWER = (URLError, HTTPException, ConnectionError, TimeoutError, json.JSONDecodeError)


@dataclass
class Client:
    """Somebody who keeps trials, saves drafts, fills sheets and marks bottles; a write without an answer is sent again."""

    server: AppServer
    number: int
    over: threading.Event
    random: random.Random
    drink: int = 0
    revision: int = 0
    trials: list[str] = field(default_factory=list)
    sheets: list[str] = field(default_factory=list)
    draft: float = 0.0
    shelved: dict[str, str] = field(default_factory=dict)
    made: list[tuple[Write, str]] = field(default_factory=list)
    acknowledged: int = 0
    sent_again: int = 0
    faults: list[str] = field(default_factory=list)

    def run(self) -> None:
        begun = self.write("POST", "/drinks", {"name": f"Client {self.number}", "spec": ORCHARD, "trial_name": "First"})
        if begun is None:
            return
        self.drink, parent = begun["id"], begun["trials"][0]["id"]
        while not self.over.is_set():
            what = self.random.choice(("trial", "draft", "draft", "draft", "sheets", "shelf", "any", "any", "any"))
            if what == "trial":
                name = f"Trial {self.number} {secrets.token_hex(4)}"
                body = {"name": name, "parent_trial_id": parent, "parents": [1], "spec": ORCHARD, "revision": 0, "beside": True}
                if self.write("POST", f"/drinks/{self.drink}/trials", body):
                    self.trials.append(name)
            elif what == "draft":
                amount = self.random.randrange(10, 400) / 4
                pours = [{**ORCHARD["pours"][0], "amount": amount}, *ORCHARD["pours"][1:]]
                body = {"parent_trial_id": parent, "spec": {**ORCHARD, "pours": pours}, "revision": self.revision}
                if saved := self.write("PUT", f"/drinks/{self.drink}/draft", body):
                    self.revision, self.draft = saved["revision"], amount
            elif what == "sheets":
                taster = f"Taster {secrets.token_hex(4)}"
                sheets = [{"trial_id": parent, "taster": taster, "acid": each} for each in (1, -1)]
                if self.write("POST", "/tastings", {"sheets": sheets}):
                    self.sheets.append(taster)
            elif what == "any":
                self.write_any()
            else:
                slug, state = self.random.choice(("vodka", "verjus", "white-rum")), self.random.choice(("low", "out"))
                if self.number == 0 and self.write("PUT", f"/shelf/{slug}", {"state": state}) is not None:
                    self.shelved[slug] = state

    def write_any(self) -> None:
        """One of all the writes that there are, told by a word of its own; what was answered to the end is looked for afterwards."""
        write, word = self.random.choice(WRITES), f"Word {secrets.token_hex(6)}"
        with suppress(TypeError):  # it ended in the middle
            if write.make(self.write, word, self.drink) is not None:
                self.made.append((write, word))

    def write(self, method: str, path: str, body: dict | None) -> dict | None:
        """The answer to a write; sent until there is one, with one key; None where the torture ended before."""
        headers = {"content-type": "application/json", "idempotency-key": secrets.token_hex(16)}
        sent = 0
        while True:
            sent_body = None if body is None else json.dumps(body).encode()
            request = Request(f"{self.server.url}/api{path}", sent_body, headers, method=method)
            sent += 1
            try:
                with urlopen(request, timeout=20) as answer:
                    text = answer.read()
                self.acknowledged += 1
                self.sent_again += sent > 1
                return json.loads(text) if text else {}
            except HTTPError as refused:
                self.faults.append(f"{method} {path}: {refused.code} {refused.read().decode()[:200]}")
                return None
            except NO_ANSWER:
                if self.over.is_set():
                    return None
                time.sleep(0.01)


def torture(data: Path, kills: int, seed: int = 7, seconds: tuple[float, float] = (0.15, 0.7)) -> dict[str, object]:
    """Kills so many times; returns what was found, each to be 0, empty or "ok", and what was counted."""
    drawn = random.Random(seed)
    server = AppServer(data)
    over = threading.Event()
    clients = [Client(server, number, over, random.Random(seed + number)) for number in range(CLIENTS)]
    threads = [threading.Thread(target=client.run) for client in clients]
    try:
        server.start()
        for thread in threads:
            thread.start()
        for _ in range(kills):
            time.sleep(drawn.uniform(*seconds))
            server.kill()
            server.start()
        time.sleep(0.5)
        over.set()
        for thread in threads:
            thread.join(timeout=60)
    finally:
        over.set()
        server.kill()
    return {"kills": kills, **_found(data, clients)}


def _found(data: Path, clients: list[Client]) -> dict[str, object]:
    lost, half, twice = [], [], []
    with closing(sqlite3.connect(data)) as conn:
        kept = Counter(name for (name,) in conn.execute("SELECT name FROM trial"))
        parents = dict(conn.execute("SELECT trial.name, count(*) FROM trial JOIN trial_parent ON trial_id = trial.id GROUP BY trial.id"))
        sheets = dict(conn.execute("SELECT taster, count(*) FROM tasting GROUP BY taster"))
        for client in clients:
            lost += [name for name in client.trials if not kept[name]]
            lost += [taster for taster in client.sheets if taster not in sheets]
            drafts = conn.execute(
                "SELECT json_extract(spec, '$.pours[0].amount'), revision FROM draft WHERE drink_id = ?", (client.drink,)
            ).fetchone()
            # The save that was under way at the end may have arrived.
            if client.revision and (drafts is None or drafts[1] < client.revision):
                lost.append(f"draft of client {client.number}")
            if drafts is not None and drafts[1] == client.revision and drafts[0] != client.draft:
                half.append(f"draft of client {client.number}")
            for slug, state in client.shelved.items():
                if conn.execute("SELECT state FROM shelf WHERE slug = ?", (slug,)).fetchone() != (state,):
                    lost.append(f"{slug} {state}")
        for write, word in (each for client in clients for each in client.made if each[0].look):
            (there,) = conn.execute(write.look, {"word": word}).fetchone()
            if there != write.wanted:
                (lost if there < write.wanted else twice).append(f"{write.route}: {word}, {there} times")
        twice += [name for name, times in kept.items() if times > 1 and name.startswith("Trial ")]
        half += [name for name in kept if name.startswith("Trial ") and parents.get(name) != 1]
        half += [taster for taster, times in sheets.items() if taster.startswith("Taster ") and times != 2]
        indexed = conn.execute("SELECT count(*) FROM drink WHERE id NOT IN (SELECT rowid FROM book_words)").fetchone()[0]
        integrity = conn.execute("PRAGMA integrity_check").fetchone()[0]
        keys = conn.execute("PRAGMA foreign_key_check").fetchall()
    return {
        "acknowledged": sum(client.acknowledged for client in clients),
        "sent again": sum(client.sent_again for client in clients),
        "lost": lost,
        "half there": half + (["a drink that can't be found"] if indexed else []),
        "twice": twice,
        "refused": [fault for client in clients for fault in client.faults],
        "integrity": integrity if not keys else f"{len(keys)} loose ends",
        "left over": sorted(each.name for each in data.parent.rglob("*.part")),
    }


def commands(folder: Path, kills: int, seed: int = 7) -> dict[str, object]:
    """Kills import, export, backup, restore and the migration of an old file in the middle; returns what was found, each to be empty."""
    chance, data = random.Random(seed), folder / "bar.db"
    house, copy = folder / "house.json", folder / "copy.db"
    scenario.prepare(data)
    with closing(database.connect(data)) as conn:
        house.write_text(house_text(gather_house(conn)), encoding="utf-8")
    backups.back_up(data, copy)
    empty = folder / "empty.db"
    database.prepare(empty)
    half: list[str] = []
    doings: dict[str, Callable[[], object]] = {
        "import": lambda: cli.main(["import", str(house), "--data", str(folder / "into.db")]),
        "export": lambda: cli.main(["export", str(folder / "out"), "--data", str(data)]),
        "backup": lambda: cli.main(["backup", str(folder / "kept.db"), "--data", str(data)]),
        "restore": lambda: cli.main(["restore", str(copy), "--data", str(folder / "into.db")]),
        "migrate": lambda: database.prepare(folder / "into.db"),
    }
    for name, doing in doings.items():
        _lay_out(folder, empty, oldest=name == "migrate")
        takes = run(doing)
        for _ in range(kills):
            _lay_out(folder, empty, oldest=name == "migrate")
            killed(doing, takes, chance)
            half += [f"{name}: {each}" for each in _half(folder)]
    return {"commands killed": kills * len(doings), "half": half}


def _lay_out(folder: Path, empty: Path, *, oldest: bool) -> None:
    for each in [*folder.glob("into.db*"), *folder.glob(".*")]:
        each.unlink() if each.is_file() else shutil.rmtree(each)
    for each in ("out", "into-copies"):
        shutil.rmtree(folder / each, ignore_errors=True)
    if oldest:
        with closing(sqlite3.connect(folder / "into.db")) as conn:
            first = resources.files("oenomel.store") / "migrations" / "0001_first_pour.sql"
            conn.executescript(first.read_text(encoding="utf-8"))
            conn.executescript("CREATE TABLE migration (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL DEFAULT (datetime('now'))) STRICT;")
            conn.execute("INSERT INTO migration (name) VALUES ('0001_first_pour.sql')")
            conn.commit()
    else:
        shutil.copyfile(empty, folder / "into.db")


def _half(folder: Path) -> list[str]:
    """What is half there: a data file that isn't sound, an import of some drinks, an export without its house."""
    found = []
    with closing(sqlite3.connect(folder / "into.db")) as conn:
        if conn.execute("PRAGMA integrity_check").fetchone()[0] != "ok":
            found.append("the data file isn't sound")
        drinks = conn.execute("SELECT count(*) FROM drink").fetchone()[0]
    if drinks not in (0, DEMO_DRINKS):
        found.append(f"{drinks} drinks")
    database.prepare(folder / "into.db")
    out = folder / "out"
    if out.exists() and not json.loads((out / "house.json").read_text(encoding="utf-8"))["drinks"]:
        found.append("an export without its drinks")
    if (folder / "kept.db").exists():
        with closing(sqlite3.connect(folder / "kept.db")) as conn:
            if conn.execute("SELECT count(*) FROM drink").fetchone()[0] != DEMO_DRINKS:
                found.append("a copy without its drinks")
    return found


def main() -> None:
    parser = argparse.ArgumentParser(description="Kills a server under writing clients, and looks what is left.")
    parser.add_argument("--kills", type=int, default=200)
    kills = parser.parse_args().kills
    with tempfile.TemporaryDirectory() as folder:
        found = torture(Path(folder) / "demo.db", kills)
    with tempfile.TemporaryDirectory() as folder:
        found |= commands(Path(folder), max(1, kills // 10))
    print(json.dumps({name: len(value) if isinstance(value, list) else value for name, value in found.items()}, indent=2))
    for name in ("lost", "half there", "twice", "refused", "left over", "half"):
        assert found[name] == [], found[name]
    assert found["integrity"] == "ok"


if __name__ == "__main__":
    main()
