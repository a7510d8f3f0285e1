"""A write of each kind that the product knows, each told by a word of its own, with what must then stand in the data file."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any
from urllib.parse import quote

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


def _drink(send: Send, word: str) -> dict[str, Any]:
    return dict(send("POST", "/drinks", {"name": word, "spec": ORCHARD, "trial_name": "First"}))


def _on_trial(send: Send, word: str, what: str, body: dict[str, Any]) -> Any:
    drink = _drink(send, word)
    return send("PUT", f"/drinks/{drink['id']}/trials/{drink['trials'][0]['id']}/{what}", body)


def _syrup(send: Send, word: str) -> str:
    return quote(send("POST", "/preparations", {**SYRUP, "name": word})["makes"]["slug"])


def _bottle(send: Send, word: str) -> str:
    return quote(send("POST", "/bottles", {"name": word, "kind": "spirit", "abv": 40})["slug"])


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
    Write("PATCH /drinks/{drink_id}",
          lambda send, word, _: send("PATCH", f"/drinks/{_drink(send, word)['id']}", {"name": f"{word}, renamed"}),
          "SELECT count(*) FROM drink WHERE name = :word || ', renamed'"),
    Write("PUT /drinks/{drink_id}/trials/{trial_id}/mark", lambda send, word, _: _on_trial(send, word, "mark", {"mark": "finished"}),
          "SELECT count(*) FROM trial_mark JOIN trial ON trial.id = trial_id JOIN drink ON drink.id = drink_id WHERE drink.name = :word"),
    Write("PUT /drinks/{drink_id}/trials/{trial_id}/reference", lambda send, word, _: _on_trial(send, word, "reference", {"counts": True}),
          "SELECT count(*) FROM house_reference JOIN trial ON trial.id = trial_id JOIN drink AS d ON d.id = drink_id WHERE d.name = :word"),
    Write("PUT /drinks/{drink_id}/tonight",
          lambda send, word, _: send("PUT", f"/drinks/{_drink(send, word)['id']}/tonight", {"price": 12, "serves": 30}),
          "SELECT count(*) FROM on_the_list JOIN drink ON drink.id = drink_id WHERE name = :word AND serves = 30"),
    Write("DELETE /batches/{batch_id}", lambda send, word, drink: send("DELETE", f"/batches/{_batch(send, word, drink)}", None),
          "SELECT count(*) FROM batch WHERE name = :word", 0),
    Write("POST /batches/{batch_id}/additions",
          lambda send, word, drink: send("POST", f"/batches/{_batch(send, word, drink)}/additions",
                                         {"poured": [{"ingredient": "lemon-juice", "ml": 5, "slot": "sour"}], "words": "by taste"}),
          "SELECT count(*) FROM batch JOIN batch_log ON batch_id = batch.id WHERE name = :word AND kind = 'added'"),
    Write("DELETE /bottles/{slug}", lambda send, word, _: send("DELETE", f"/bottles/{_bottle(send, word)}", None),
          "SELECT count(*) FROM ingredient WHERE name = :word", 0),
    Write("DELETE /preparations/{slug}",
          lambda send, word, _: send("DELETE", f"/preparations/{_syrup(send, word)}", None),
          "SELECT count(*) FROM preparation JOIN ingredient USING (slug) WHERE ingredient.name = :word", 0),
    Write("PUT /preparations/{slug}",
          lambda send, word, _: send("PUT", f"/preparations/{_syrup(send, word)}",
                                     {**SYRUP, "name": word, "steps": [{"do": "boil", "minutes": 1}]}),
          "SELECT count(*) FROM preparation JOIN ingredient USING (slug) WHERE ingredient.name = :word AND content LIKE '%boil%'"),
    Write("PATCH /larder/{slug}", lambda send, word, _: send("PATCH", f"/larder/{_bottle(send, word)}", {"abv": 44, "source": word}),
          "SELECT count(*) FROM house_value JOIN ingredient USING (slug) WHERE ingredient.name = :word AND house_value.name = 'abv'"),
    Write("PUT /larder/{slug}/retired", lambda send, word, _: send("PUT", f"/larder/{_bottle(send, word)}/retired", {"retired": True}),
          "SELECT count(*) FROM retired_ingredient JOIN ingredient USING (slug) WHERE name = :word"),
    Write("PUT /ingredients/{slug}/par", lambda send, word, _: send("PUT", f"/ingredients/{_bottle(send, word)}/par", {"par_ml": 700}),
          "SELECT count(*) FROM par JOIN ingredient USING (slug) WHERE name = :word"),
    Write("PUT /kinship", lambda send, _word, _: send("PUT", "/kinship", {"one": "citrus", "other": "floral", "value": 0.5}), ""),
    Write("PUT /currency", lambda send, _word, _: send("PUT", "/currency", {"sign": "€"}), ""),
    Write("PUT /goods/{slug}/price", lambda send, _word, _: send("PUT", "/goods/granulated-sugar/price", {"price_per_kg": 1.2}), ""),
    Write("PUT /training", lambda send, word, _: send("PUT", "/training", {"taster": word}),
          "SELECT count(*) FROM training WHERE taster = :word"),
    Write("DELETE /training/{taster}",
          lambda send, word, _: (send("PUT", "/training", {"taster": word}), send("DELETE", f"/training/{quote(word)}", None))[1],
          "SELECT count(*) FROM training WHERE taster = :word", 0),
    Write("POST /sittings",
          lambda send, word, _: send("POST", "/sittings", {"matter": "sugar", "tasters": [word]}),
          "SELECT count(*) FROM sitting WHERE json_extract(tasters, '$[0]') = :word"),
    Write("POST /exercises", lambda send, word, _: send("POST", "/exercises", {"taster": word, "kind": "fault"}),
          "SELECT count(*) FROM exercise WHERE taster = :word"),
    Write("PATCH /evening", lambda send, word, _: send("PATCH", "/evening", {"what": "name", "to": word}), ""),
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
