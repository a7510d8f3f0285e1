"""Recipes as schema.org JSON-LD, bare or inside a saved page."""

from __future__ import annotations

import html
import json
import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import suppress
from typing import Any, Final

from oenomel.core.recipe_text import TextLine
from oenomel.formats.recipe_lines import instructions_of, pour_line
from oenomel.schemas.spec_file import SpecFile, parse_spec

__all__ = ["CONTEXT", "is_page", "linked_data_of", "own_spec", "recipe_in", "recipe_lines", "recipes_in", "scripts_of"]

CONTEXT: Final = "https://schema.org"
OWN: Final = "oenomel/spec"
_LINKED_DATA: Final = "application/ld+json"
_SCRIPT: Final = re.compile(r"<script\b[^<>]{0,1000}>", re.IGNORECASE)
_SCRIPT_ENDS: Final = re.compile(r"</script", re.IGNORECASE)
_PAGE: Final = re.compile(r"<(?:!doctype|html|head|body)\b", re.IGNORECASE)
_DEEPEST: Final = 12


def linked_data_of(spec: SpecFile, names: Mapping[str, str]) -> dict[str, Any]:
    """Write a drink as a schema.org Recipe, with its whole spec, so that reading it back loses nothing."""
    return {
        "@context": CONTEXT,
        "@type": "Recipe",
        "name": spec.name,
        "recipeCategory": spec.family,
        "recipeYield": "1 serve",
        "recipeIngredient": [pour_line(pour, names) for pour in spec.pours],
        "recipeInstructions": [{"@type": "HowToStep", "text": text} for text in instructions_of(spec)],
        "additionalProperty": [{"@type": "PropertyValue", "name": OWN, "value": spec.model_dump(mode="json", exclude_none=True)}],
    }


def is_page(text: str) -> bool:
    """Check whether a text is a saved page."""
    rest = text.lstrip()
    while rest.startswith("<!--"):
        _, _, rest = rest.partition("-->")
        rest = rest.lstrip()
    return _PAGE.match(rest) is not None


def scripts_of(page: str) -> list[Any]:
    """Return the JSON-LD scripts of a page; invalid ones are skipped.

    Only its script elements are searched, in one pass, so that a malicious page can't take long.
    """
    scripts, at = [], 0
    while (begun := _SCRIPT.search(page, at)) and (ended := _SCRIPT_ENDS.search(page, begun.end())):
        at = ended.end()
        if _LINKED_DATA in begun[0].lower():
            with suppress(ValueError, RecursionError):
                scripts.append(json.loads(page[begun.end() : ended.start()]))
    return scripts


def recipe_in(content: Any, depth: int = 0) -> Mapping[str, Any] | None:
    """Return the first recipe in JSON-LD, at any depth."""
    if depth > _DEEPEST:
        return None
    if isinstance(content, Mapping):
        kinds = content.get("@type", ())
        if "Recipe" in ([kinds] if isinstance(kinds, str) else kinds if isinstance(kinds, Sequence) else ()):
            return content
        parts: Sequence[Any] = list(content.values())
    else:
        parts = content if isinstance(content, list) else ()
    return next((recipe for part in parts if isinstance(part, Mapping | list) and (recipe := recipe_in(part, depth + 1)) is not None), None)


def recipes_in(content: Any) -> list[Mapping[str, Any]]:
    """Return all recipes of a JSON-LD list or graph."""
    parts = content.get("@graph", [content]) if isinstance(content, Mapping) else content if isinstance(content, list) else []
    return [recipe for part in parts if isinstance(part, Mapping | list) and (recipe := recipe_in(part)) is not None]


def recipe_lines(recipe: Mapping[str, Any]) -> tuple[str, list[TextLine]]:
    """Return a recipe's name and lines."""
    lines = [TextLine(text, "ingredients") for text in _texts(recipe.get("recipeIngredient") or recipe.get("ingredients"))]
    lines += [TextLine(text, "method") for text in _texts(recipe.get("recipeInstructions"))]
    return next(_texts(recipe.get("name")), ""), lines


def _texts(content: Any, depth: int = 0) -> Iterator[str]:
    """Yield the texts in a JSON-LD value: a text, a list, steps, sections of steps."""
    if depth > _DEEPEST:
        return
    if isinstance(content, str):
        bare = html.unescape(re.sub(r"<(?:br|/p|/li)\b[^<>]{0,200}>", "\n", html.unescape(content)))
        yield from (line for line in (" ".join(written.split()) for written in re.sub(r"<[^<>]{0,200}>", " ", bare).splitlines()) if line)
    elif isinstance(content, Mapping):
        yield from _texts(content.get("itemListElement") or content.get("text") or content.get("name"), depth + 1)
    elif isinstance(content, list):
        for part in content:
            yield from _texts(part, depth + 1)


def own_spec(recipe: Mapping[str, Any], names: Callable[[SpecFile], Mapping[str, str]]) -> SpecFile | None:
    """Return the spec embedded by Oenomel; None where there is none, or where the recipe was changed since."""
    properties = recipe.get("additionalProperty")
    for one_property in properties if isinstance(properties, list) else []:
        if isinstance(one_property, Mapping) and one_property.get("name") == OWN and isinstance(one_property.get("value"), Mapping):
            spec = parse_spec(json.dumps(one_property["value"]))
            written = linked_data_of(spec, names(spec))
            same = all(recipe.get(key) == written[key] for key in ("name", "recipeIngredient", "recipeInstructions"))
            return spec if same else None
    return None
