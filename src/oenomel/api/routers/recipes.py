"""Recipes in and out: read from whatever people write, and written in open formats."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.forecast import forecast_of
from oenomel.core.larder import Ingredient, Larder, slug_for
from oenomel.core.recipe_text import Mended
from oenomel.formats.card.content import day_words
from oenomel.formats.card.html import card_file
from oenomel.formats.recipe_reader import LARGEST_PAGE, ReadReport, read_text
from oenomel.formats.recipe_writer import ENDINGS, Format, write_as
from oenomel.schemas.base import Entry, Plain, Report
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import slugs_of
from oenomel.services.resolve import resolve
from oenomel.store import ingredients

router = room("recipes")


class MendedEntry(Entry):
    """What somebody said of a line: which ingredient it means, how much of it, or that it is left out."""

    slug: Annotated[Plain, Field(max_length=200)] = ""
    amount: Annotated[Plain, Field(max_length=60)] = ""
    left_out: bool = False


class RecipeTextRequest(Entry):
    """A recipe as it was pasted: text, a table, linked data, a saved page or a file of our own; with what was said of its lines, by their
    text as it was told.
    """

    text: Annotated[str, Field(max_length=LARGEST_PAGE)]
    mended: Annotated[dict[str, MendedEntry], Field(max_length=200)] = {}


class WriteRequest(Entry):
    """A drink to write, with what is to be remembered of it."""

    spec: SpecFile
    wanted: Format | Literal["html"]
    notes: Annotated[Plain, Field(max_length=10_000)] = ""


class WrittenReport(Report):
    """A drink in an open format, and what a file of it is called."""

    text: str
    file_name: str


@router.post("/read", responses=PROBLEMS["bad"])
def read_recipe_text(body: RecipeTextRequest, conn: Connection) -> ReadReport:
    """A recipe as a spec, with what each of its lines was taken for."""
    mended = {text: Mended(**each.model_dump()) for text, each in body.mended.items()}
    return read_text(body.text, ingredients.names(conn), lambda slug: _one(conn, slug), mended)


@router.post("/write", responses=PROBLEMS["bad"])
def write_recipe(body: WriteRequest, conn: Connection, conditions: HouseConditions) -> WrittenReport:
    """A drink in an open format, or as its card in one file."""
    (drink,) = resolve(conn, body.spec)
    names = {slug: each.name for slug, each in ingredients.some(conn, slugs_of(body.spec)).items()}
    if body.wanted == "html":
        text = card_file(body.spec, forecast_of(drink, conditions), day_words(datetime.now().astimezone().date()), body.notes)
        return WrittenReport(text=text, file_name=f"{slug_for(body.spec.name)}.html")
    text = write_as(body.spec, body.wanted, names, body.notes)
    return WrittenReport(text=text, file_name=f"{slug_for(body.spec.name)}.{ENDINGS[body.wanted]}")


def _one(conn: Connection, slug: str) -> Ingredient:
    # A slug that isn't there is told like one of a spec.
    return Larder(ingredients.some(conn, [slug]))[slug]
