"""Reading a recipe in any open format as a spec, with what each of its lines was read as."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Mapping
from typing import Any, Final

from pydantic import ValidationError

from oenomel.core.larder import Index, Ingredient
from oenomel.core.recipe_text import MOST_POURS, LineCorrection, ReadLine, read_recipe, sections_of
from oenomel.core.recipe_text.read_recipe import ReadPour, ReadRecipe
from oenomel.core.spec import to_ml
from oenomel.errors import DomainError, SpecError
from oenomel.formats.drinks_table import is_table, lines_of_table, specs_of_table
from oenomel.formats.json_ld import is_page, own_spec, recipe_in, recipe_lines, scripts_of
from oenomel.formats.recipe_lines import pour_line, spec_in_markdown, without_spec
from oenomel.schemas.base import Report
from oenomel.schemas.format_names import LARGEST_PAGE
from oenomel.schemas.spec_file import SpecFile, parse_spec, spec_error

__all__ = ["ReadReport", "read_text"]

LARGEST_RECIPE: Final = 20_000
MOST_LINES: Final = 200
LONGEST_WORDS: Final = 200
"""Most letters of a recipe, most lines, and most letters of a text in a spec."""

_UNREADABLE_LETTERS: Final = 8
_NOTHING_MENDED: Final[Mapping[str, LineCorrection]] = {}
_UNSHOWABLE: Final = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]")


class LineReport(Report):
    """One line as read.

    ``pour`` is the index of its pour, None where it made none. ``sure`` is false where something was guessed: ``why`` says what,
    ``others`` are other possible slugs, ``amounts`` other possible amounts. ``asks`` is the slug of an ingredient whose amount is
    missing.
    """

    text: str
    taken: str
    pour: int | None
    sure: bool
    others: list[str]
    why: str
    asks: str
    amounts: list[str]


class ReadReport(Report):
    """A recipe as read: its spec, each line, what could not be placed, and the reason for its family.

    ``unknown`` are the pours whose ingredient isn't in the larder: the spec has them by name only, with an empty composition.
    """

    spec: SpecFile
    lines: list[LineReport]
    notes: list[str]
    reasons: list[str]
    unknown: list[int]
    strain: str


def read_text(
    text: str, index: Index, ingredient_of: Callable[[str], Ingredient], mended: Mapping[str, LineCorrection] = _NOTHING_MENDED
) -> ReadReport:
    """Read a recipe from a text, a table, JSON-LD (bare or in a saved page) or an Oenomel file; ``mended`` are the corrections of lines.

    Raises
    ------
    SpecError
        There is no recipe in it; the sentence says what to do.
    """
    if "\x00" in text or text.count("\ufffd") > _UNREADABLE_LETTERS:
        raise SpecError("", "this file has no text in it: copy the text of the recipe instead")
    text = _UNSHOWABLE.sub("", text.lstrip("\ufeff")).strip()
    if not text:
        raise SpecError("", "nothing to read: paste a recipe, one ingredient per line")
    if len(text) > LARGEST_PAGE:
        raise SpecError("", "this is too long: paste only the recipe")
    if is_page(text[:4000]):
        recipe = recipe_in(scripts_of(text))
        if recipe is None:
            raise SpecError("", "no recipe found on this page: copy its text and paste that")
        return _of_linked_data(recipe, index, ingredient_of, mended)
    if len(text) > LARGEST_RECIPE:
        raise SpecError("", f"this is {len(text):,} characters long, and a recipe has at most {LARGEST_RECIPE:,}: paste only the recipe")
    if text[0] in "{[":
        return _of_json(text, index, ingredient_of, mended)
    if (own := spec_in_markdown(text, lambda spec: _names(spec, ingredient_of))) is not None:
        return _of_own(own, ingredient_of)
    if is_table(text):
        if specs := specs_of_table(text):
            if len(specs) > 1:
                raise SpecError("", f"this table has {len(specs)} drinks: import the file, or paste one drink")
            return _of_own(parse_spec(json.dumps(specs[0])), ingredient_of)
        return _of_lines("\n".join(lines_of_table(text)), index, ingredient_of, mended)
    return _of_lines(without_spec(text), index, ingredient_of, mended)


def _of_json(text: str, index: Index, ingredient_of: Callable[[str], Ingredient], mended: Mapping[str, LineCorrection]) -> ReadReport:
    try:
        content = json.loads(text)
    except (ValueError, RecursionError):
        return _of_lines(text, index, ingredient_of, mended)
    if isinstance(content, Mapping) and "format" in content:
        return _of_own(parse_spec(text), ingredient_of)
    recipe = recipe_in(content)
    if recipe is None:
        raise SpecError("", "this JSON is neither a spec file nor a schema.org recipe")
    return _of_linked_data(recipe, index, ingredient_of, mended)


def _of_linked_data(
    recipe: Mapping[str, Any], index: Index, ingredient_of: Callable[[str], Ingredient], mended: Mapping[str, LineCorrection]
) -> ReadReport:
    if (own := own_spec(recipe, lambda spec: _names(spec, ingredient_of))) is not None:
        return _of_own(own, ingredient_of)
    name, lines = recipe_lines(recipe)
    if not lines:
        raise SpecError("", "this recipe lists no ingredients: copy its text and paste that")
    if len(lines) > MOST_LINES:
        raise SpecError("", f"this recipe has {len(lines)} lines: at most {MOST_LINES} can be read")
    return _report(read_recipe(lines, index, ingredient_of, name[:LONGEST_WORDS], mended))


def _of_lines(text: str, index: Index, ingredient_of: Callable[[str], Ingredient], mended: Mapping[str, LineCorrection]) -> ReadReport:
    lines = sections_of(text)
    if len(lines) > MOST_LINES:
        raise SpecError("", f"this has {len(lines)} lines: a recipe has at most {MOST_LINES}")
    return _report(read_recipe(lines, index, ingredient_of, mended=mended))


def _of_own(spec: SpecFile, ingredient_of: Callable[[str], Ingredient]) -> ReadReport:
    names = _names(spec, ingredient_of)
    lines = [
        LineReport(text=pour_line(pour, names), taken="pour", pour=at, sure=True, others=[], why="", asks="", amounts=[])
        for at, pour in enumerate(spec.pours)
    ]
    return ReadReport(spec=spec, lines=lines, notes=[], reasons=[], unknown=[], strain="")


def _names(spec: SpecFile, ingredient_of: Callable[[str], Ingredient]) -> dict[str, str]:
    """Return the names of a spec's slugs; raises SpecError for an unknown one."""
    names = {}
    for at, pour in enumerate(spec.pours):
        if isinstance(pour.ingredient, str):
            try:
                names[pour.ingredient] = ingredient_of(pour.ingredient).name
            except DomainError as error:
                raise SpecError(f"pours[{at}].ingredient", str(error)) from error
    return names


def _report(read: ReadRecipe) -> ReadReport:
    if not read.pours:
        raise SpecError("", "no line has an amount and an ingredient: write them like “60 ml gin” or “Lemon juice 3/4 oz”")
    if len(read.pours) > MOST_POURS:
        raise SpecError("", f"this recipe has more than {MOST_POURS} ingredients: paste one drink")
    sentence = read.made
    seconds: Any = None
    if sentence.seconds is not None:
        low, high = sentence.seconds
        seconds = low if low == high else [low, high]
    spec: dict[str, Any] = {
        "format": "oenomel/spec",
        "version": 1,
        "name": read.name[:LONGEST_WORDS],
        "family": read.guess.family,
        "form": read.guess.form,
        "part_ml": read.part_ml,
        "pours": [_pour(pour, read.part_ml) for pour in read.pours],
        "method": {
            "technique": sentence.technique,
            "seconds": seconds,
            "dry_shake_seconds": sentence.dry_shake_seconds or 0,
            "dry_shake": "last" if sentence.dry_shake_last else "first",
            "ice_pieces": sentence.ice_pieces,
            "strain": "double" if sentence.strain == "double" else "",
            "ice": sentence.method_ice or ("none" if sentence.technique == "build" else "cubes"),
        },
        "serve": {
            "glass": sentence.glass,
            "ice": sentence.serve_ice or "none",
            "garnish": [garnish[:LONGEST_WORDS] for garnish in sentence.garnish[:20]],
        },
    }
    if any(half for _, half in sentence.rims):
        spec["serve"]["edge"] = {"half": True}
    try:
        checked = SpecFile.model_validate(spec)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error
    unknown = [at for at, pour in enumerate(read.pours) if pour.ingredient is None]
    lines = [_line(line) for line in read.lines]
    return ReadReport(
        spec=checked, lines=lines, notes=list(read.notes), reasons=list(read.reasons), unknown=unknown, strain=sentence.strain
    )


def _line(line: ReadLine) -> LineReport:
    return LineReport.model_validate(line)


def _pour(pour: ReadPour, part_ml: float | None) -> dict[str, Any]:
    known = pour.ingredient
    entry: dict[str, Any] = {
        "ingredient": known.slug if known else {"name": pour.words[:LONGEST_WORDS], "kind": pour.kind, "composition": {}},
        "amount": int(pour.amount) if float(pour.amount).is_integer() else pour.amount,
        "unit": pour.unit,
        "slot": pour.slot,
        "stage": pour.stage,
        "optional": pour.optional,
    }
    if pour.said:
        entry["said"] = pour.said[:LONGEST_WORDS]
    if pour.relative:
        entry["relative"] = {"to": pour.relative[0], "times": pour.relative[1]}
    if pour.ends and known:
        entry["range"] = [round(to_ml(end, pour.unit, known, part_ml=part_ml), 6) for end in pour.ends]
    return entry
