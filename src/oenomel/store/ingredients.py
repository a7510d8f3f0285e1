"""The larder: ingredients and the source of each value."""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterable, Mapping
from dataclasses import fields, replace
from threading import Lock
from typing import Any, Final

from oenomel.core.larder import Findable, Index, Ingredient, Larder, SourcedValue, aromas, composition_from_values
from oenomel.core.larder.ingredient import check_labels
from oenomel.errors import RecordConflict, RecordNotFound, SpecError
from oenomel.store.stock import in_stock

__all__ = [
    "add",
    "amend",
    "amendments",
    "forget_changes",
    "get",
    "house_values",
    "larder",
    "names",
    "offered",
    "poured_in",
    "put",
    "remove",
    "remove_amendments",
    "remove_of_the_house",
    "replace_catalogue",
    "retire",
    "retired",
    "search",
    "set_right",
    "some",
    "state",
]

SELECT_TOKEN = "SELECT token FROM larder_state"
SELECT_ALL = """
SELECT slug, name, kind, slots, impression, allergens, cautions, piece_ml, piece_g, aroma, foam, origin, also, rank
FROM ingredient ORDER BY name
"""
SELECT_NAMES = """
SELECT slug, name, also, rank, slots, kind, impression, aroma FROM ingredient
WHERE slug NOT IN (SELECT slug FROM retired_ingredient) ORDER BY name
"""
SELECT_RETIRED = "SELECT slug FROM retired_ingredient ORDER BY slug"
INSERT_RETIRED = "INSERT OR IGNORE INTO retired_ingredient (slug) VALUES (:slug)"
DELETE_RETIRED = "DELETE FROM retired_ingredient WHERE slug = :slug"
SELECT_HOUSE_VALUES = "SELECT slug, name, value, relative_sd, source, source_kind, why FROM house_value ORDER BY slug, name"
UPSERT_HOUSE_VALUE = """
INSERT INTO house_value (slug, name, value, relative_sd, source, source_kind, why)
VALUES (:slug, :name, :value, :relative_sd, :source, :source_kind, :why)
ON CONFLICT (slug, name) DO UPDATE SET value = excluded.value, relative_sd = excluded.relative_sd, source = excluded.source,
  source_kind = excluded.source_kind, why = excluded.why
"""
DELETE_HOUSE_VALUE = "DELETE FROM house_value WHERE slug = :slug AND name = :name"
DELETE_HOUSE_VALUES = "DELETE FROM house_value"
DELETE_ALL_RETIRED = "DELETE FROM retired_ingredient"
SELECT_MADE = """
SELECT 1 FROM lot WHERE slug = :slug UNION ALL SELECT 1 FROM preparation WHERE slug = :slug LIMIT 1
"""
SELECT_POURED_IN = """
SELECT DISTINCT drink.id, drink.name FROM trial_ingredient JOIN trial ON trial.id = trial_ingredient.trial_id
JOIN drink ON drink.id = trial.drink_id WHERE trial_ingredient.slug = :slug ORDER BY drink.name
"""
SELECT_SOME = """
SELECT slug, name, kind, slots, impression, allergens, cautions, piece_ml, piece_g, aroma, foam, origin, also, rank
FROM ingredient WHERE slug IN (SELECT value FROM json_each(:slugs))
"""
# The bar's price is on its shelf, and its own values override all others: the later rows win.
SELECT_SOME_VALUES = """
SELECT slug, name, value, relative_sd, source, source_kind, why
FROM ingredient_value WHERE slug IN (SELECT value FROM json_each(:slugs))
UNION ALL
SELECT slug, 'price_per_litre', price_per_litre, 0.0, 'my shelf', 'label', ''
FROM shelf WHERE price_per_litre IS NOT NULL AND slug IN (SELECT value FROM json_each(:slugs))
UNION ALL
SELECT slug, name, value, relative_sd, source, source_kind, why
FROM house_value WHERE slug IN (SELECT value FROM json_each(:slugs))
"""
SELECT_SHIPPED_VALUES = "SELECT slug, name, value, relative_sd, source, source_kind, why FROM ingredient_value"
SELECT_VALUES = """
SELECT slug, name, value, relative_sd, source, source_kind, why FROM ingredient_value
UNION ALL
SELECT slug, 'price_per_litre', price_per_litre, 0.0, 'my shelf', 'label', '' FROM shelf WHERE price_per_litre IS NOT NULL
UNION ALL
SELECT slug, name, value, relative_sd, source, source_kind, why FROM house_value
"""
UPSERT = """
INSERT INTO ingredient (slug, name, kind, slots, impression, allergens, cautions, piece_ml, piece_g, aroma, foam, origin, also, rank)
VALUES (:slug, :name, :kind, :slots, :impression, :allergens, :cautions, :piece_ml, :piece_g, :aroma, :foam, :origin, :also, :rank)
ON CONFLICT (slug) DO UPDATE SET
  name = excluded.name, kind = excluded.kind, slots = excluded.slots, impression = excluded.impression, allergens = excluded.allergens,
  cautions = excluded.cautions, piece_ml = excluded.piece_ml, piece_g = excluded.piece_g, aroma = excluded.aroma, foam = excluded.foam,
  origin = excluded.origin, also = excluded.also, rank = excluded.rank
"""
DELETE = "DELETE FROM ingredient WHERE slug = :slug AND origin = 'house'"
SELECT_POURED = """
SELECT drink.name FROM drink JOIN (
  SELECT drink_id, json_extract(spec, '$.pours') AS pours FROM trial
  UNION ALL SELECT drink_id, json_extract(made, '$.poured') FROM trial
  UNION ALL SELECT drink_id, json_extract(spec, '$.pours') FROM draft
  UNION ALL SELECT drink_id, json_extract(spec, '$.pours') FROM cloud_spec
  UNION ALL SELECT drink_id, json_extract(spec, '$.pours') FROM batch
  UNION ALL SELECT drink_id, poured FROM batch
) AS kept ON kept.drink_id = drink.id, json_each(kept.pours) AS pour
WHERE json_extract(pour.value, '$.ingredient') = :slug LIMIT 1
"""
DELETE_OF_THE_HOUSE = "DELETE FROM ingredient WHERE origin = 'house'"
UPSERT_AMENDED = """
INSERT INTO amended_ingredient (slug, aroma, impression) VALUES (:slug, :aroma, :impression)
ON CONFLICT (slug) DO UPDATE SET aroma = excluded.aroma, impression = excluded.impression
"""
APPLY_AMENDED = """
UPDATE ingredient SET aroma = amended_ingredient.aroma, impression = amended_ingredient.impression
FROM amended_ingredient WHERE amended_ingredient.slug = ingredient.slug
AND (ingredient.aroma <> amended_ingredient.aroma OR ingredient.impression <> amended_ingredient.impression)
"""
SELECT_AMENDED = "SELECT slug, aroma, impression FROM amended_ingredient ORDER BY slug"
DELETE_AMENDED = "DELETE FROM amended_ingredient"
DELETE_VALUES = "DELETE FROM ingredient_value WHERE slug = :slug"
INSERT_VALUE = """
INSERT INTO ingredient_value (slug, name, value, relative_sd, source, source_kind, why)
VALUES (:slug, :name, :value, :relative_sd, :source, :source_kind, :why)
"""


class _LarderCache:
    """Cache of a larder in one state: each ingredient by slug (None: there is none), the whole larder and its search index."""

    def __init__(self, token: str) -> None:
        self.token = token
        self.by_slug: dict[str, Ingredient | None] = {}
        self.whole: Larder | None = None
        self.offered: Larder | None = None
        self.index: Index | None = None


MOST_HELD: Final = 3
"""States of the larder that are cached: one before the last write is needed again after an undo, and for copies of a file."""

_held: dict[str, _LarderCache] = {}
_lock = Lock()


def _held_for(conn: sqlite3.Connection) -> _LarderCache:
    # Building an ingredient takes longer than all sums of a forecast, and it changes seldom. Whoever reads another state of a larder
    # starts anew; requests in other threads keep the one they have.
    token = state(conn)
    stored = _held.get(token) or _LarderCache(token)
    with _lock:
        _held.pop(token, None)
        _held[token] = stored
        while len(_held) > MOST_HELD:
            del _held[next(iter(_held))]
    return stored


def state(conn: sqlite3.Connection) -> str:
    """Return a token that changes whenever the larder does."""
    return str(conn.execute(SELECT_TOKEN).fetchone()["token"])


def larder(conn: sqlite3.Connection) -> Larder:
    """Return every ingredient, by slug, in the order of their names."""
    stored = _held_for(conn)
    if stored.whole is None:
        stored.whole = _larder(conn.execute(SELECT_ALL), conn.execute(SELECT_VALUES))
    return stored.whole


def offered(conn: sqlite3.Connection) -> Larder:
    """Return every ingredient except the retired."""
    stored = _held_for(conn)
    if stored.offered is None:
        gone = retired(conn)
        stored.offered = Larder((slug, ingredient) for slug, ingredient in larder(conn).items() if slug not in gone)
    return stored.offered


def some(conn: sqlite3.Connection, slugs: Iterable[str]) -> Larder:
    """Return the ingredients with these slugs; missing ones are left out."""
    stored, wanted = _held_for(conn), sorted(set(slugs))
    unread = [slug for slug in wanted if slug not in stored.by_slug]
    if unread:
        values = {"slugs": json.dumps(unread)}
        found_larder = _larder(conn.execute(SELECT_SOME, values), conn.execute(SELECT_SOME_VALUES, values))
        stored.by_slug.update({slug: found_larder.get(slug) for slug in unread})
    return Larder((slug, ingredient) for slug in wanted if (ingredient := stored.by_slug[slug]) is not None)


def get(conn: sqlite3.Connection, slug: str) -> Ingredient:
    """Return one ingredient; raises RecordNotFound."""
    found_larder = some(conn, [slug])
    if slug not in found_larder:
        raise RecordNotFound("ingredient", slug)
    return found_larder[slug]


def search(
    conn: sqlite3.Connection, text: str = "", kind: str | None = None, slot: str | None = None, new_as: str = ""
) -> list[tuple[Ingredient, str]]:
    """Return the ingredients that match words, best first, each with the other name that matched (empty for its own).

    Only those of a kind and of a slot, where they are given; ``new_as`` is the slot that the ingredient is chosen for.
    """
    matches = names(conn).find(text, in_stock(conn), new_as)
    known = offered(conn) if not text.strip() else some(conn, [match.slug for match in matches])
    return [
        (known[one_match.slug], one_match.by)
        for one_match in matches
        if (kind is None or known[one_match.slug].kind == kind) and (slot is None or slot in known[one_match.slug].slots)
    ]


def names(conn: sqlite3.Connection) -> Index:
    """Return a search index of all names."""
    stored = _held_for(conn)
    if stored.index is None:
        stored.index = Index(_findable(row) for row in conn.execute(SELECT_NAMES))
    return stored.index


def add(conn: sqlite3.Connection, ingredient: Ingredient) -> Ingredient:
    """Add an ingredient; a slug that is taken gets a number."""
    slug, number = ingredient.slug, 2
    while some(conn, [slug]):
        slug, number = f"{ingredient.slug}-{number}", number + 1
    named = replace(ingredient, slug=slug)
    put(conn, named)
    return named


def put(conn: sqlite3.Connection, ingredient: Ingredient) -> None:
    """Add an ingredient, or replace the one with its slug; raises OutOfRange for an impossible label."""
    check_labels(ingredient.values.values())
    conn.execute(UPSERT, _to_row(ingredient))
    conn.execute(DELETE_VALUES, {"slug": ingredient.slug})
    conn.executemany(INSERT_VALUE, [{"slug": ingredient.slug, **_fields(value)} for value in ingredient.values.values()])


def remove(conn: sqlite3.Connection, slug: str) -> None:
    """Delete an ingredient that the bar added.

    Raises
    ------
    RecordNotFound
        The bar has added no such ingredient. RecordConflict A trial, a draft, a batch or a gathered spec pours it.
    """
    if get(conn, slug).origin != "house":
        raise RecordNotFound("bottle of the house", slug)
    poured = conn.execute(SELECT_POURED, {"slug": slug}).fetchone()
    if poured is not None:
        raise RecordConflict(f"{poured['name']} uses it: hide it instead")
    if conn.execute(SELECT_MADE, {"slug": slug}).fetchone() is not None:
        raise RecordConflict("there are open bottles or a recipe of it: hide it instead")
    conn.execute(DELETE, {"slug": slug})


def remove_of_the_house(conn: sqlite3.Connection) -> None:
    """Delete every ingredient that the bar added."""
    conn.execute(DELETE_OF_THE_HOUSE)


def replace_catalogue(conn: sqlite3.Connection, shipped: Iterable[Ingredient]) -> bool:
    """Update the catalogue to the shipped one; returns whether any ingredient was renamed.

    Ingredients that only an earlier version shipped stay, because trials may pour them.
    """
    stored = {row["slug"]: dict(row) for row in conn.execute(SELECT_ALL)}
    values = _by_slug(conn.execute(SELECT_SHIPPED_VALUES))
    renamed = False
    for ingredient in shipped:
        before = stored.get(ingredient.slug)
        # Writing all of it takes longer than the rest of a start, and would invalidate everything that depends on the larder.
        if before == _to_row(ingredient) and values.get(ingredient.slug, {}) == dict(ingredient.values):
            continue
        renamed = renamed or (before is not None and before["name"] != ingredient.name)
        put(conn, ingredient)
    conn.execute(APPLY_AMENDED)
    return renamed


def amend(conn: sqlite3.Connection, slug: str, aroma: Mapping[str, int], impression: str) -> None:
    """Change the aroma and impression of an ingredient, kept when the catalogue is updated.

    Raises
    ------
    RecordNotFound
    SpecError
        A word isn't an aroma tag.
    """
    get(conn, slug)
    for tag in aroma:
        if tag not in aromas():
            raise SpecError(f"aroma.{tag}", f'"{tag}" isn\'t in the aroma list')
    conn.execute(UPSERT_AMENDED, {"slug": slug, "aroma": json.dumps(dict(aroma)), "impression": impression})
    conn.execute(APPLY_AMENDED)


def amendments(conn: sqlite3.Connection) -> list[tuple[str, dict[str, int], str]]:
    """Return the ingredients changed by tasting: slug, aroma and impression."""
    return [(row["slug"], _known_aroma(row["aroma"]), row["impression"]) for row in conn.execute(SELECT_AMENDED)]


def remove_amendments(conn: sqlite3.Connection) -> None:
    """Delete the changes by tasting; the catalogue's values are restored at the next start."""
    conn.execute(DELETE_AMENDED)


def retired(conn: sqlite3.Connection) -> frozenset[str]:
    """Return the slugs of retired ingredients."""
    return frozenset(row["slug"] for row in conn.execute(SELECT_RETIRED))


def retire(conn: sqlite3.Connection, slug: str, gone: bool) -> None:
    """Retire an ingredient, or offer it again; trials keep it. Raises RecordNotFound."""
    get(conn, slug)
    conn.execute(INSERT_RETIRED if gone else DELETE_RETIRED, {"slug": slug})


def house_values(conn: sqlite3.Connection) -> dict[str, dict[str, SourcedValue]]:
    """Return the bar's own values, by slug and name."""
    return _by_slug(conn.execute(SELECT_HOUSE_VALUES))


def set_right(conn: sqlite3.Connection, slug: str, values: Iterable[SourcedValue], back: Iterable[str] = ()) -> Ingredient:
    """Override some of an ingredient's values, and restore those named in ``back``; returns the ingredient.

    Raises
    ------
    RecordNotFound
    ImpossibleComposition, OutOfRange
        The values contradict each other. The caller must roll back.
    """
    get(conn, slug)
    values = list(values)
    check_labels(values)
    for name in back:
        conn.execute(DELETE_HOUSE_VALUE, {"slug": slug, "name": name})
    conn.executemany(UPSERT_HOUSE_VALUE, [{"slug": slug, **_fields(value)} for value in values])
    return get(conn, slug)


def forget_changes(conn: sqlite3.Connection) -> None:
    """Delete the bar's own values, and offer again what was retired."""
    conn.execute(DELETE_HOUSE_VALUES)
    conn.execute(DELETE_ALL_RETIRED)


def poured_in(conn: sqlite3.Connection, slug: str) -> list[tuple[int, str]]:
    """Return the drinks with a trial that pours the ingredient: id and name."""
    return [(row["id"], row["name"]) for row in conn.execute(SELECT_POURED_IN, {"slug": slug})]


def _larder(rows: Iterable[sqlite3.Row], value_rows: Iterable[sqlite3.Row]) -> Larder:
    values = _by_slug(value_rows)
    return Larder((row["slug"], _from_row(row, values.get(row["slug"], {}))) for row in rows)


def _by_slug(rows: Iterable[sqlite3.Row]) -> dict[str, dict[str, SourcedValue]]:
    """Return rows of values by slug and name; of two with the same name the later one counts."""
    result: dict[str, dict[str, SourcedValue]] = {}
    for row in rows:
        columns = dict(row)
        slug = columns.pop("slug")
        result.setdefault(slug, {})[columns["name"]] = SourcedValue(**columns)
    return result


def _from_row(row: sqlite3.Row, values: Mapping[str, SourcedValue]) -> Ingredient:
    return Ingredient(
        slug=row["slug"],
        name=row["name"],
        kind=row["kind"],
        composition=composition_from_values(values, row["kind"]),
        slots=tuple(json.loads(row["slots"])),
        impression=row["impression"],
        allergens=tuple(json.loads(row["allergens"])),
        cautions=tuple(json.loads(row["cautions"])),
        piece_ml=row["piece_ml"],
        piece_g=row["piece_g"],
        aroma=_known_aroma(row["aroma"]),
        foam=row["foam"],
        origin=row["origin"],
        also=tuple(json.loads(row["also"])),
        rank=row["rank"],
        values=values,
    )


def _known_aroma(text: str) -> dict[str, int]:
    """Return weights by aroma tag, without tags that are unknown now but were accepted by an earlier version."""
    content = json.loads(text)
    return {tag: weight for tag, weight in content.items() if tag in aromas()} if isinstance(content, dict) else {}


def _findable(row: sqlite3.Row) -> Findable:
    description = f"{row['kind']} {row['impression']} {' '.join(_known_aroma(row['aroma']))}"
    return Findable(row["slug"], row["name"], tuple(json.loads(row["also"])), row["rank"], tuple(json.loads(row["slots"])), description)


def _fields(value: SourcedValue) -> dict[str, Any]:
    # Without the deep copies that `asdict` makes of plain values.
    return {field.name: getattr(value, field.name) for field in fields(value)}


def _to_row(ingredient: Ingredient) -> dict[str, Any]:
    return {
        "slug": ingredient.slug,
        "name": ingredient.name,
        "kind": ingredient.kind,
        "slots": json.dumps(ingredient.slots),
        "impression": ingredient.impression,
        "allergens": json.dumps(ingredient.allergens),
        "cautions": json.dumps(ingredient.cautions),
        "piece_ml": ingredient.piece_ml,
        "piece_g": ingredient.piece_g,
        "aroma": json.dumps(dict(ingredient.aroma)),
        "foam": ingredient.foam,
        "origin": ingredient.origin,
        "also": json.dumps(ingredient.also, ensure_ascii=False),
        "rank": ingredient.rank,
    }
