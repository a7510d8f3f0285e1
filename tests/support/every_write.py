"""A write of each kind that the product knows, each told by a word of its own, with what must then stand in the data file."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from support.notebook_spec import ORCHARD

SYRUP: dict[str, Any] = {
    "format": "oenomel/preparation", "version": 1, "kind": "syrup", "steps": [],
    "lines": [{"what": "white-sugar", "amount": 500, "unit": "g"}, {"what": "water", "amount": 500, "unit": "g"}],
}  # fmt: skip
BATCH = {"spec": ORCHARD, "service": "chilled", "serves": 6}

Send = Callable[[str, str, Any], Any]
"""Sends a write until it is answered: method, path, body; None where it ended before, or was refused."""


@dataclass(frozen=True)
class Write:
    """A write by its route; ``make`` sends it with a word that nobody else has, ``look`` is SQL that counts what it left, which must be
    ``wanted``: once, whole.
    """

    route: str
    make: Callable[[Send, str, int], Any]
    look: str
    wanted: int = 1


def _lot(send: Send, word: str) -> int:
    return int(send("POST", "/lots", {"ingredient": "lime-juice", "name": word, "volume_ml": 700})["id"])


def _batch(send: Send, word: str, drink: int) -> int:
    return int(send("POST", "/batches", {"batch": BATCH, "drink_id": drink, "name": word})["id"])


WRITES = (
    Write("POST /drinks", lambda send, word, _: send("POST", "/drinks", {"name": word, "spec": ORCHARD, "trial_name": "First"}),
          "SELECT count(*) FROM drink JOIN trial ON drink_id = drink.id WHERE drink.name = :word"),
    Write("PUT /drinks/{drink_id}/notes", lambda send, word, drink: send("PUT", f"/drinks/{drink}/notes", {"notes": word}), ""),
    Write("PUT /drinks/{drink_id}/brief", lambda send, word, drink: send("PUT", f"/drinks/{drink}/brief", {"occasion": word}), ""),
    Write("POST /drinks/{drink_id}/spec-cloud",
          lambda send, word, drink: send("POST", f"/drinks/{drink}/spec-cloud", {"name": word, "spec": ORCHARD}),
          "SELECT count(*) FROM cloud_spec WHERE name = :word"),
    Write("POST /lots", lambda send, word, _: _lot(send, word), "SELECT count(*) FROM lot WHERE name = :word"),
    Write("PATCH /lots/{lot_id}", lambda send, word, _: send("PATCH", f"/lots/{_lot(send, word)}", {"left_ml": 123}),
          "SELECT count(*) FROM lot WHERE name = :word AND left_ml = 123"),
    Write("POST /lots/{lot_id}/readings",
          lambda send, word, _: send("POST", f"/lots/{_lot(send, word)}/readings", {"what": "acid", "value": 6, "device": word[:60]}),
          "SELECT count(*) FROM lot_reading WHERE device = :word"),
    Write("DELETE /lots/{lot_id}", lambda send, word, _: send("DELETE", f"/lots/{_lot(send, word)}", None),
          "SELECT count(*) FROM lot WHERE name = :word", 0),
    Write("POST /preparations", lambda send, word, _: send("POST", "/preparations", {**SYRUP, "name": word}),
          "SELECT count(*) FROM preparation JOIN ingredient USING (slug) WHERE ingredient.name = :word"),
    Write("POST /preparations/{slug}/makings",
          lambda send, word, _: send("POST", "/preparations/rhubarb-syrup/makings", {"file": {**SYRUP, "name": "Rhubarb"}, "name": word}),
          "SELECT count(*) FROM lot WHERE name = :word AND contents <> '[]'"),
    Write("POST /batches", lambda send, word, drink: _batch(send, word, drink),
          "SELECT count(*) FROM batch JOIN batch_log ON batch_id = batch.id WHERE name = :word"),
    Write("POST /batches/{batch_id}/served",
          lambda send, word, drink: send("POST", f"/batches/{_batch(send, word, drink)}/served", {"serves": 2}),
          "SELECT count(*) FROM batch JOIN batch_log ON batch_id = batch.id WHERE name = :word AND kind = 'served'"),
    Write("PATCH /batches/{batch_id}",
          lambda send, word, drink: send("PATCH", f"/batches/{_batch(send, word, drink)}", {"note": "cloudy"}),
          "SELECT count(*) FROM batch WHERE name = :word AND note = 'cloudy'"),
    Write("POST /bottles", lambda send, word, _: send("POST", "/bottles", {"name": word, "kind": "spirit", "abv": 40}),
          "SELECT count(*) FROM ingredient JOIN ingredient_value AS v USING (slug) WHERE ingredient.name = :word AND v.name = 'abv'"),
    Write("POST /tastings",
          lambda send, word, _: send("POST", "/tastings", {"sheets": [{"trial_id": 1, "taster": word, "acid": 1}]}),
          "SELECT count(*) FROM tasting WHERE taster = :word"),
    Write("POST /ingredients/{slug}/tastings",
          lambda send, word, _: send("POST", "/ingredients/verjus/tastings", {"taster": word, "words": {"nose": "green"}}),
          "SELECT count(*) FROM part_tasting WHERE taster = :word"),
    Write("POST /drinks/{drink_id}/trials/{trial_id}/readings",
          lambda send, word, _: send("POST", "/drinks/1/trials/1/readings",
                                     {"quantity": "weight_g", "point": "served", "value": 150, "device": word}),
          "SELECT count(*) FROM measurement WHERE device = :word"),
    Write("PUT /evening/ticks", lambda send, word, _: send("PUT", "/evening/ticks", {"what": f"task {word}", "done": True}),
          "SELECT count(*) FROM evening_tick WHERE key = 'task ' || :word"),
)  # fmt: skip

ELSEWHERE = {
    "PUT /drinks/{drink_id}/draft": "the torture saves drafts itself, by revision",
    "POST /drinks/{drink_id}/trials": "it keeps trials itself, with what they descend from",
    "PUT /shelf/{slug}": "it marks the shelf itself",
    "POST /copies": "a file of its own: see the commands",
    "POST /import": "see the commands",
    "POST /demo/reset": "empties what is looked for",
}
"""Routes that write and are covered otherwise."""
