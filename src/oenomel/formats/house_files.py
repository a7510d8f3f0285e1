"""Reading files of any kind as one house file: house files, specs, tables, Markdown, schema.org recipes, and recipe texts that are
understood for certain.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, Final

from oenomel.core.larder import Index, Ingredient, Tier, slug_for
from oenomel.errors import DomainError, SpecError
from oenomel.formats.drinks_table import specs_of_table
from oenomel.formats.json_ld import own_spec, recipes_in
from oenomel.formats.recipe_lines import drinks_of_markdown, notes_in_markdown, spec_in_markdown
from oenomel.formats.recipe_reader import read_text
from oenomel.schemas.house_file import (
    BatchOfHouse,
    DrinkEntry,
    HouseFile,
    KinshipOfHouse,
    LotOfHouse,
    PreparationOfHouse,
    TrialEntry,
    parse_house,
    plain_name,
    unused_id,
)
from oenomel.schemas.preparation_file import parse_preparation
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import same_spec, slugs_of

__all__ = ["LARGEST_FILE", "NamedText", "house_of"]

LARGEST_FILE: Final = 500_000_000
"""Largest file, [bytes]: a bar of several years is a few megabytes, ten thousand drinks a hundred."""

MOST_FILES: Final = 2000


@dataclass(frozen=True, slots=True)
class NamedText:
    """A file: its name and its text."""

    name: str
    text: str


def house_of(files: Sequence[NamedText], index: Index, ingredient_of: Callable[[str], Ingredient]) -> HouseFile:
    """Read files and merge their contents; the same drink in several of them becomes one.

    Raises
    ------
    SpecError
        One of them can't be read for sure; the sentence names it.
    """
    if len(files) > MOST_FILES:
        raise SpecError("", f"{len(files)} files are too many at once: import at most {MOST_FILES}")
    result: list[HouseFile] = []

    def name_of(slug: str) -> str:
        # A file may bring an ingredient that its drinks pour.
        coming = (ingredient.name for house in result for ingredient in house.ingredients if ingredient.slug == slug)
        return next(coming, "") or ingredient_of(slug).name

    # House files first: they define what the others pour.
    for file in sorted(files, key=lambda each: '"oenomel/house"' not in each.text[:200]):
        try:
            result.append(_house_in(file, index, ingredient_of, name_of))
        except DomainError as error:
            raise SpecError(file.name, str(error)) from error
    return _together(result)


def _house_in(file: NamedText, index: Index, ingredient_of: Callable[[str], Ingredient], name_of: Callable[[str], str]) -> HouseFile:
    text = file.text.lstrip("\ufeff").strip()

    def names(spec: SpecFile) -> dict[str, str]:
        return _names(spec, name_of)

    if text.startswith(("{", "[")):
        content = _json(text)
        if isinstance(content, Mapping) and content.get("format") == "oenomel/house":
            return _with_ids(parse_house(content))
        if isinstance(content, Mapping) and content.get("format") == "oenomel/preparation":
            preparation_file = parse_preparation(text)
            matches = index.find(preparation_file.name)
            makes = matches[0].slug if matches and matches[0].tier <= Tier.SAME_WORDS else slug_for(preparation_file.name)
            return HouseFile(preparations=[PreparationOfHouse(makes=makes, file=preparation_file)])
        if isinstance(content, Mapping) and "format" in content:
            return _of_specs([(parse_spec(text), "")], file.name)
        if isinstance(content, list) and content and all(isinstance(element, Mapping) and "format" in element for element in content):
            return _of_specs([(parse_spec(json.dumps(element)), "") for element in content], file.name)
        own = [own_spec(recipe, names) for recipe in recipes_in(content)]
        if own and all(own):
            return _of_specs([(spec, "") for spec in own if spec is not None], file.name)
    elif tables := specs_of_table(text):
        return _of_specs([(parse_spec(json.dumps(table)), "") for table in tables], file.name)
    else:
        parts = drinks_of_markdown(text)
        written = [(spec_in_markdown(part, names), notes_in_markdown(part)) for part in parts]
        if written and all(spec for spec, _ in written):
            return _of_specs([(spec, notes) for spec, notes in written if spec is not None], file.name)
    return _of_specs([(_understood(text, index, ingredient_of), "")], file.name)


def _understood(text: str, index: Index, ingredient_of: Callable[[str], Ingredient]) -> SpecFile:
    """Return another program's recipe, where nothing in it was guessed."""
    read = read_text(text, index, ingredient_of)
    doubtful = next((line.text for line in read.lines if not line.sure), None)
    if doubtful is not None or read.unknown:
        line = f"“{doubtful[:60]}” " if doubtful else "a line "
        raise SpecError("", f"{line}is doubtful: use Paste a recipe, and check the result")
    return read.spec


def _json(text: str) -> Any:
    try:
        return json.loads(text)
    except json.JSONDecodeError as error:
        raise SpecError("", f"line {error.lineno}, column {error.colno}: not JSON, or cut off ({error.msg})") from error
    except (RecursionError, ValueError) as error:
        raise SpecError("", "nested too deeply, or a number with thousands of digits") from error


def _of_specs(specs: Sequence[tuple[SpecFile, str]], file: str) -> HouseFile:
    return _with_ids(HouseFile(drinks=[_drink(spec, notes, file) for spec, notes in specs]))


def _drink(spec: SpecFile, notes: str, file: str) -> DrinkEntry:
    trial = TrialEntry(name="As imported", reason=f"From {file[:200]}.", spec=spec)
    return DrinkEntry(name=spec.name.strip() or "Unnamed", notes=notes, trials=[trial])


def _with_ids(house: HouseFile) -> HouseFile:
    """Return every drink with an id of its own: its name, with a number where two have the same."""
    seen: set[str] = set()
    drinks = []
    for drink in house.drinks:
        name = unused_id(drink.id or slug_for(drink.name), seen)
        seen.add(name)
        drinks.append(drink.model_copy(update={"id": name}))
    return house.model_copy(update={"drinks": drinks})


def _together(houses: Sequence[HouseFile]) -> HouseFile:
    """Merge house files: of equal entries the first counts, further trials are added."""
    houses = _with_distinct_ids(houses)
    drinks: dict[str, DrinkEntry] = {}
    # The most complete come first: a drink with all its trials before a single spec.
    for drink in sorted((entry for house in houses for entry in house.drinks), key=lambda entry: not any(t.kept_at for t in entry.trials)):
        known = drinks.get(drink.id)
        if known is None:
            drinks[drink.id] = drink
            continue
        new = [trial for trial in drink.trials if not any(same_spec(trial.spec, other.spec) for other in known.trials)]
        bare = [trial.model_copy(update={"parent": None, "parents": []}) for trial in new]
        drinks[drink.id] = known.model_copy(update={"trials": [*known.trials, *bare]})
    lists: dict[str, dict[str, Any]] = {
        "ingredients": {},
        "amended": {},
        "shelf": {},
        "palates": {},
        "changed": {},
        "preparations": {},
        "lots": {},
        "kinship": {},
        "batches": {},
    }
    for house in houses:
        for name, by_id in lists.items():
            for entry in getattr(house, name):
                by_id.setdefault(_key(entry), entry)
    parts = [part for house in houses for part in house.parts]
    retired = sorted({slug for house in houses for slug in house.retired})
    stock = next((house.stock for house in houses if house.stock is not None), None)
    evening = next((house.evening for house in houses if house.evening is not None), None)
    tongues = next((house.tongues for house in houses if house.tongues is not None), None)
    merged = {name: list(entries.values()) for name, entries in lists.items()}
    whole = {"parts": parts, "retired": retired, "stock": stock, "evening": evening, "tongues": tongues}
    return HouseFile(drinks=list(drinks.values()), **whole, **merged)


def _with_distinct_ids(houses: Sequence[HouseFile]) -> list[HouseFile]:
    """Return the house with another id for a drink that shares its id with another drink of an earlier file: "Été Sour", "Ete sour!"."""
    names: dict[str, str] = {}
    result = []
    for house in houses:
        now: dict[str, str] = {}
        for drink in house.drinks:
            name = plain_name(drink.name)
            alike = [
                candidate
                for candidate in (drink.id, *(i for i in names if i.startswith(f"{drink.id}-")))
                if names.get(candidate, name) == name
            ]
            now[drink.id] = alike[0] if alike else unused_id(drink.id, names)
            names[now[drink.id]] = name
        result.append(house if all(key == value for key, value in now.items()) else _renamed(house, now))
    return result


def _renamed(house: HouseFile, ids: Mapping[str, str]) -> HouseFile:
    """Return the house with other ids for its drinks, in every reference."""
    content = house.model_dump(exclude_unset=True)
    for drink in content["drinks"]:
        drink["id"] = ids[drink["id"]]
        for trial in drink["trials"]:
            for parent in trial.get("parents", []):
                parent["drink"] = ids.get(parent["drink"], parent["drink"])
    for listed_entry in [*content.get("batches", []), *(content.get("evening") or {}).get("drinks", [])]:
        listed_entry["drink"] = ids.get(listed_entry["drink"], listed_entry["drink"])
    return HouseFile.model_validate(content)


def _key(entry: Any) -> str:
    """Return the key of an entry in a list."""
    if isinstance(entry, LotOfHouse):
        return f"{entry.slug} {entry.name}"
    if isinstance(entry, KinshipOfHouse):
        return f"{entry.one} {entry.other}"
    if isinstance(entry, BatchOfHouse):
        return entry.name
    return str(getattr(entry, "taster", None) or getattr(entry, "makes", None) or entry.slug)


def _names(spec: SpecFile, name_of: Callable[[str], str]) -> dict[str, str]:
    """Return the names of a spec's slugs, where they are known."""
    names = {}
    for slug in slugs_of(spec):
        try:
            names[slug] = name_of(slug)
        except DomainError:
            continue
    return names
