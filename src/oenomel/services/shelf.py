"""The shelf, and new ingredients from their label."""

from __future__ import annotations

import sqlite3

from oenomel.core.larder import Shelved
from oenomel.core.larder.label import Label, abv_of_proof, bottle_from, sweetness_classes
from oenomel.schemas.routes.ingredients_models import IngredientDetail
from oenomel.schemas.routes.shelf_models import LabelEntry, ShelfStateEntry
from oenomel.services.ingredients import ingredient_detail
from oenomel.store import ingredients, shelf
from oenomel.store.database import transaction


def list_shelf(conn: sqlite3.Connection) -> list[Shelved]:
    """List what is on the shelf."""
    return list(shelf.all_shelved(conn).values())


def put_on_shelf(conn: sqlite3.Connection, slug: str, body: ShelfStateEntry) -> None:
    """Mark an ingredient as in stock, low or out, with its price; or take it off the shelf."""
    with transaction(conn):
        if body.state == "off":
            ingredients.get(conn, slug)
            shelf.remove(conn, slug)
        else:
            shelf.put(conn, Shelved(slug, body.state, body.price_per_litre))


def add_bottle(conn: sqlite3.Connection, body: LabelEntry) -> IngredientDetail:
    """Add an ingredient from its label; values that the label doesn't state are estimated from its kind, or from a similar one."""
    with transaction(conn):
        like = ingredients.get(conn, body.like) if body.like else None
        abv = abv_of_proof(body.proof) if body.proof is not None else body.abv
        label = Label(body.name, body.kind, abv, body.sugar, body.acid, body.sweetness, like)
        bottle = ingredients.add(conn, bottle_from(label, ingredients.larder(conn).values()))
        shelf.put(conn, Shelved(bottle.slug, body.state, body.price_per_litre))
        return ingredient_detail(ingredients.get(conn, bottle.slug))


def remove_bottle(conn: sqlite3.Connection, slug: str) -> None:
    """Delete an ingredient that the bar added, as long as no drink pours it."""
    with transaction(conn):
        ingredients.remove(conn, slug)


def list_sweetness_classes() -> dict[str, list[str]]:
    """List the words for sweetness on a label, by kind."""
    return {kind: list(classes) for kind, classes in sweetness_classes().items()}
