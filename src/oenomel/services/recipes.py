"""Read recipes from any text, and write them in open formats."""

from __future__ import annotations

import sqlite3
from datetime import datetime

from oenomel.core.dilution import Conditions
from oenomel.core.forecast import forecast_of
from oenomel.core.larder import Ingredient, Larder, slug_for
from oenomel.core.recipe_text import LineCorrection
from oenomel.formats.card.content import day_words
from oenomel.formats.card.html import card_file
from oenomel.formats.recipe_reader import ReadReport, read_text
from oenomel.formats.recipe_writer import ENDINGS, write_as
from oenomel.schemas.routes.recipes_models import RecipeTextRequest, WriteRequest, WrittenReport
from oenomel.schemas.spec_to_drink import slugs_of
from oenomel.services.resolve import resolve
from oenomel.store import ingredients


def read_recipe_text(conn: sqlite3.Connection, body: RecipeTextRequest) -> ReadReport:
    """Read a recipe as a spec, with what each of its lines was read as."""
    mended = {text: LineCorrection(**entry.model_dump()) for text, entry in body.mended.items()}
    return read_text(body.text, ingredients.names(conn), lambda slug: _one(conn, slug), mended)


def write_recipe(conn: sqlite3.Connection, body: WriteRequest, conditions: Conditions) -> WrittenReport:
    """Write a drink in an open format, or as its card."""
    (drink,) = resolve(conn, body.spec)
    names = {slug: ingredient.name for slug, ingredient in ingredients.some(conn, slugs_of(body.spec)).items()}
    if body.wanted == "html":
        text = card_file(body.spec, forecast_of(drink, conditions), day_words(datetime.now().astimezone().date()), body.notes)
        return WrittenReport(text=text, file_name=f"{slug_for(body.spec.name)}.html")
    text = write_as(body.spec, body.wanted, names, body.notes)
    return WrittenReport(text=text, file_name=f"{slug_for(body.spec.name)}.{ENDINGS[body.wanted]}")


def _one(conn: sqlite3.Connection, slug: str) -> Ingredient:
    # An unknown slug gets the same error as in a spec.
    return Larder(ingredients.some(conn, [slug]))[slug]
