"""My shelf, and bottles added from their label."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.routers.ingredients import IngredientDetail, ingredient_detail
from oenomel.core.larder import Kind, Shelved
from oenomel.core.larder.label import Label, abv_of_proof, bottle_from, sweetness_classes
from oenomel.core.larder.shelf import ShelfState
from oenomel.schemas.base import Entry, Level, Plain
from oenomel.store import ingredients, shelf
from oenomel.store.database import transaction

router = room("shelf")


class ShelfStateEntry(Entry):
    """How an ingredient stands on the shelf; "off" takes it away. The price is per litre, in the house's own currency."""

    state: ShelfState | Literal["off"]
    price_per_litre: Annotated[Level, Field(le=10_000)] | None = None


class LabelEntry(Entry):
    """What stands on a bottle: strength as % or as US proof, sugar and acid in g per 100 ml, or a class of sweetness; what it is like."""

    name: Annotated[Plain, Field(min_length=1, max_length=200)]
    kind: Kind
    abv: Annotated[Level, Field(le=100)] | None = None
    proof: Annotated[Level, Field(le=200)] | None = None
    sugar: Annotated[Level, Field(le=150)] | None = None
    acid: Annotated[Level, Field(le=60)] | None = None
    sweetness: Annotated[Plain, Field(max_length=40)] = ""
    like: Annotated[Plain, Field(max_length=200)] = ""
    state: ShelfState = "at hand"
    price_per_litre: Annotated[Level, Field(le=10_000)] | None = None

    @model_validator(mode="after")
    def _one_strength(self) -> LabelEntry:
        if self.abv is not None and self.proof is not None:
            raise PydanticCustomError("strength", "a label tells the strength in % or in proof, not both")
        return self


@router.get("/shelf")
def list_shelf(conn: Connection) -> list[Shelved]:
    """What is on the shelf."""
    return list(shelf.all_shelved(conn).values())


@router.put("/shelf/{slug}", status_code=204, responses=PROBLEMS["write"])
def put_on_shelf(slug: str, body: ShelfStateEntry, conn: Connection) -> None:
    """Marks an ingredient as at hand, low or out, with its price; or takes it off."""
    with transaction(conn):
        if body.state == "off":
            ingredients.get(conn, slug)
            shelf.remove(conn, slug)
        else:
            shelf.put(conn, Shelved(slug, body.state, body.price_per_litre))


@router.post("/bottles", status_code=201, responses=PROBLEMS["write"])
def add_bottle(body: LabelEntry, conn: Connection) -> IngredientDetail:
    """Adds a bottle from its label: what the label doesn't tell is estimated from its kind, or from what it is like."""
    with transaction(conn):
        like = ingredients.get(conn, body.like) if body.like else None
        abv = abv_of_proof(body.proof) if body.proof is not None else body.abv
        label = Label(body.name, body.kind, abv, body.sugar, body.acid, body.sweetness, like)
        bottle = ingredients.add(conn, bottle_from(label, ingredients.larder(conn).values()))
        shelf.put(conn, Shelved(bottle.slug, body.state, body.price_per_litre))
        return ingredient_detail(ingredients.get(conn, bottle.slug))


@router.delete("/bottles/{slug}", status_code=204, responses=PROBLEMS["write"])
def remove_bottle(slug: str, conn: Connection) -> None:
    """Takes a bottle that the house has added out of the larder again, as long as no drink pours it."""
    with transaction(conn):
        ingredients.remove(conn, slug)


@router.get("/sweetness-classes")
def list_sweetness_classes() -> dict[str, list[str]]:
    """Words on a label that tell how sweet it is, by kind."""
    return {kind: list(classes) for kind, classes in sweetness_classes().items()}
