"""The house file, version 1: everything of a bar, or some of its drinks, with their trials and tastings. Shipped data isn't in it.

Times are in UTC, ISO 8601; a missing one becomes the time of the import. A trial without a forecast gets a new one.
"""

from __future__ import annotations

import json
import re
from collections.abc import Container, Mapping
from typing import Annotated, Any, Final, Literal

from pydantic import AfterValidator, Field, ValidationError, model_validator

from oenomel.core.larder import Ingredient, Kind, SlotName, SourcedValue, aromas, composition_from_values
from oenomel.core.larder.ingredient import CLASS_ON_LABEL, MEDIAN_OF_KIND, Foam
from oenomel.core.larder.shelf import ShelfState
from oenomel.core.lots import ReadingName
from oenomel.core.trials import QuantityName, ReadingPoint
from oenomel.schemas.base import Entry, LevelsReport, Moment, MomentOrNow, Name, Plain, UseBy
from oenomel.schemas.house_sensory import TonguesOfHouse
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.reports.batch_reports import LabelReport
from oenomel.schemas.requests.batch_requests import BatchWishEntry, PouredEntry
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.requests.tasting_requests import BriefEntry, TastingNoteEntry, WordsEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry
from oenomel.schemas.spec_file import CompositionEntry, SpecFile, spec_error

__all__ = [
    "BatchOfHouse",
    "ChangedEntry",
    "CloudEntry",
    "DraftOfDrink",
    "DrinkEntry",
    "DrinkOfEvening",
    "EveningOfHouse",
    "HouseFile",
    "HouseIngredientNote",
    "IngredientEntry",
    "KinshipOfHouse",
    "LotOfHouse",
    "ParentEntry",
    "PreparationOfHouse",
    "ReadingEntry",
    "SheetOfTrial",
    "StockOfHouse",
    "TrialEntry",
    "ValueEntry",
    "house_text",
    "parse_house",
    "plain_name",
    "unused_id",
]  # fmt: skip

Text = Annotated[Plain, Field(max_length=2000)]
Slug = Annotated[Plain, Field(min_length=1, max_length=200)]
Json = dict[str, Any]


def _is_of_the_list(tag: str) -> str:
    if tag not in aromas():
        raise ValueError(f'"{tag}" isn\'t in the aroma list')
    return tag


Aroma = dict[Annotated[Plain, Field(max_length=60), AfterValidator(_is_of_the_list)], Annotated[int, Field(ge=1, le=3)]]
"""Weights by aroma tag."""


class SheetOfTrial(TastingNoteEntry):
    """Tasting sheet of a trial, and its time."""

    tasted_at: MomentOrNow = ""


class ReadingEntry(Entry):
    """Reading of a trial: value, point in the making, and device."""

    quantity: QuantityName
    point: ReadingPoint
    value: Annotated[float, Field(allow_inf_nan=False)]
    device: Annotated[Plain, Field(max_length=200)] = ""
    taken_at: MomentOrNow = ""


class ParentEntry(Entry):
    """A parent trial: its drink by id in the file, and its number."""

    drink: Annotated[Plain, Field(min_length=1, max_length=220)]
    trial: Annotated[int, Field(ge=1)]


class WaterEntry(Entry):
    """Dilution by the readings of a trial: the ratio to the forecast, and the method of calculation."""

    ratio: Annotated[float, Field(ge=0.2, le=3)]
    how: Text


class TrialEntry(Entry):
    """A trial; ``parent`` is the number of the trial of the same drink that it was compared with."""

    name: Name
    reason: Annotated[Plain, Field(max_length=2000)] = ""
    spec: SpecFile
    forecast: Json | None = None
    kept_at: MomentOrNow = ""
    made: MadeEntry = MadeEntry()
    parent: Annotated[int, Field(ge=1)] | None = None
    parents: Annotated[list[ParentEntry], Field(max_length=3)] = []
    mark: Literal["", "finished", "shelved", "hidden"] = ""
    reference: bool = False
    sheets: list[SheetOfTrial] = []
    readings: list[ReadingEntry] = []
    water: WaterEntry | None = None


class DraftOfDrink(Entry):
    """Draft of a drink, and the number of the trial that it is compared with."""

    parent: Annotated[int, Field(ge=1)]
    spec: SpecFile
    saved_at: MomentOrNow = ""


class CloudEntry(Entry):
    """A spec of the drink from a book or a colleague."""

    name: Name
    spec: SpecFile
    added_at: MomentOrNow = ""


class ListedEntry(Entry):
    """Price of a drink, and how many are expected in an evening."""

    price: Annotated[float, Field(gt=0, le=100_000)] | None = None
    serves: Annotated[int, Field(ge=0, le=10_000)] | None = None


class DrinkEntry(Entry):
    """A drink with everything about it; ``id`` is its key in the file, ``wish`` the criteria of an original."""

    id: Annotated[Plain, Field(max_length=220)] = ""
    name: Name
    origin: Literal["house", "demo"] = "house"
    created_at: MomentOrNow = ""
    notes: Annotated[Plain, Field(max_length=10_000)] = ""
    trials: Annotated[list[TrialEntry], Field(min_length=1, max_length=2000)]
    draft: DraftOfDrink | None = None
    brief: BriefEntry | None = None
    listed: ListedEntry | None = None
    gathered: list[CloudEntry] = []
    wish: WishEntry | None = None


class KinshipOfHouse(Entry):
    """Value that the bar set for a pair of aroma groups."""

    one: Slug
    other: Slug
    value: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]


_GUESSED: Final = re.compile(r"middle of (?:the class |(?P<of_kind>\d+ of the kind ))")


class ValueEntry(Entry):
    """A value of an ingredient with its source: see `core.larder.SourcedValue`."""

    name: Annotated[Plain, Field(min_length=1, max_length=60)]
    value: Annotated[float, Field(ge=0, allow_inf_nan=False)]
    relative_sd: Annotated[float, Field(ge=0, le=2, allow_inf_nan=False)]
    source: Annotated[Plain, Field(min_length=1, max_length=2000)]
    source_kind: Annotated[Plain, Field(max_length=60)]
    why: Text = ""

    @model_validator(mode="before")
    @classmethod
    def _of_an_earlier_version(cls, given: Any) -> Any:
        """Give a value guessed from a class the kind of source that it had no name for up to version 1.0."""
        if isinstance(given, Mapping) and (match := _GUESSED.match(str(given.get("why", "")))):
            kind = MEDIAN_OF_KIND if match["of_kind"] else CLASS_ON_LABEL
            return {**given, "source_kind": kind} if given.get("source_kind") in ("estimate", "label") else given
        return given


class IngredientEntry(Entry):
    """One of the bar's own ingredients: see `core.larder.Ingredient`."""

    slug: Annotated[Plain, Field(min_length=1, max_length=100)]
    name: Name
    kind: Kind
    slots: list[SlotName] = []
    impression: Text = ""
    allergens: list[Slug] = []
    cautions: list[Slug] = []
    piece_ml: Annotated[float, Field(ge=0, allow_inf_nan=False)] | None = None
    piece_g: Annotated[float, Field(ge=0, allow_inf_nan=False)] | None = None
    aroma: Aroma = {}
    foam: Foam = ""
    origin: Literal["house", "demo"] = "house"
    also: list[Slug] = []
    rank: Annotated[int, Field(ge=1, le=4)] = 2
    values: list[ValueEntry] = []

    @classmethod
    def of(cls, ingredient: Ingredient) -> IngredientEntry:
        """Return an ingredient as an entry of the file; its price is in the shelf's entry."""
        same = ("slug", "name", "kind", "impression", "piece_ml", "piece_g", "foam", "origin", "rank")
        lists = {name: list(getattr(ingredient, name)) for name in ("slots", "allergens", "cautions", "also")}
        sourced_values = [value for value in ingredient.values.values() if value.source != OF_THE_SHELF]
        values = [
            ValueEntry.model_validate({name: getattr(sourced_value, name) for name in ValueEntry.model_fields})
            for sourced_value in sourced_values
        ]
        values.sort(key=lambda each: each.name)
        return cls(
            **{name: getattr(ingredient, name) for name in same}, **lists, aroma=dict(sorted(ingredient.aroma.items())), values=values
        )

    def ingredient(self) -> Ingredient:
        """Return the entry as an ingredient of the core.

        Raises
        ------
        ImpossibleComposition
        """
        values = {value.name: SourcedValue(**value.model_dump()) for value in self.values}
        arguments: dict[str, Any] = {name: getattr(self, name) for name in IngredientEntry.model_fields if name != "values"}
        arguments |= {name: tuple(arguments[name]) for name in ("slots", "allergens", "cautions", "also")}
        return Ingredient(**arguments, values=values, composition=composition_from_values(values, self.kind))


class ShelfEntry(Entry):
    """State of an ingredient on the shelf, and its price per litre."""

    slug: Slug
    state: ShelfState
    price_per_litre: Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)] | None = None


class AmendedEntry(Entry):
    """Changes to a catalogue ingredient's aroma or impression after tasting."""

    slug: Slug
    aroma: Aroma
    impression: Text


class HouseIngredientNote(Entry):
    """An ingredient tasted alone."""

    slug: Slug
    taster: Annotated[Plain, Field(min_length=1, max_length=100)]
    words: WordsEntry
    amended: bool = False
    tasted_at: MomentOrNow = ""


class PalateEntry(Entry):
    """Time from which a taster's palate is learnt."""

    taster: Annotated[Plain, Field(max_length=100)]
    since: Moment


class ChangedEntry(Entry):
    """The bar's own values for an ingredient."""

    slug: Slug
    values: Annotated[list[ValueEntry], Field(min_length=1, max_length=40)]


class LotReadingOfHouse(Entry):
    """One reading of a lot, in the unit of its kind."""

    what: ReadingName
    value: Annotated[float, Field(allow_inf_nan=False)]
    sd: Annotated[float, Field(gt=0, allow_inf_nan=False)] | None = None
    device: Annotated[Plain, Field(max_length=200)] = ""
    taken_at: MomentOrNow = ""


class LotOfHouse(Entry):
    """A lot: ingredient, time, amount left; ``preparation`` as made, ``contents`` its composition (computed where missing)."""

    slug: Slug
    name: Name
    made_at: Moment
    used_up_at: MomentOrNow = ""
    volume_ml: Annotated[float, Field(gt=0, le=1_000_000)] | None = None
    left_ml: Annotated[float, Field(ge=0, le=1_000_000)] | None = None
    pieces: Annotated[int, Field(ge=1, le=5000)] | None = None
    preparation: PreparationFile | None = None
    contents: list[ValueEntry] = []
    readings: list[LotReadingOfHouse] = []
    origin: Literal["house", "demo"] = "house"


class PreparationOfHouse(Entry):
    """Preparation of an ingredient."""

    makes: Slug
    file: PreparationFile
    origin: Literal["house", "demo"] = "house"


class ParOfHouse(Entry):
    """Par of an ingredient: the amount that should be in stock."""

    slug: Slug
    par_ml: Annotated[float, Field(gt=0, le=1_000_000)]


class GoodPriceOfHouse(Entry):
    """Price per kilogram of a dry good."""

    slug: Slug
    price_per_kg: Annotated[float, Field(gt=0, le=100_000)]


class StockOfHouse(Entry):
    """Currency, pars and prices of dry goods."""

    currency: Annotated[Plain, Field(max_length=8)] = ""
    pars: list[ParOfHouse] = []
    good_prices: list[GoodPriceOfHouse] = []


class LogOfBatch(Entry):
    """One event in a batch's log."""

    at: Moment
    kind: Literal["made", "served", "added", "read", "kept over", "set right"]
    words: Annotated[Plain, Field(max_length=1000)]


class BatchOfHouse(Entry):
    """A batch as made: its drink (by id in the file), measured amounts and composition, amount left; ``older`` is the name of the
    batch it was filled on.
    """

    drink: Annotated[Plain, Field(min_length=1, max_length=220)]
    name: Name
    made_at: Moment
    made_by: Annotated[Plain, Field(max_length=100)] = ""
    use_by: UseBy
    used_up_at: MomentOrNow = ""
    spec: SpecFile
    wish: BatchWishEntry
    poured: Annotated[list[PouredEntry], Field(min_length=1, max_length=200)]
    contents: CompositionEntry
    recipe: LevelsReport
    label: LabelReport
    serve_ml: Annotated[float, Field(gt=0, le=100_000)]
    volume_ml: Annotated[float, Field(gt=0, le=10_000_000)]
    left_ml: Annotated[float, Field(ge=0, le=10_000_000)]
    container_ml: Annotated[float, Field(gt=0, le=10_000_000)]
    older: Annotated[Plain, Field(max_length=200)] = ""
    older_ml: Annotated[float, Field(ge=0, le=10_000_000)] = 0.0
    wood: bool = False
    note: Text = ""
    origin: Literal["house", "demo"] = "house"
    log: list[LogOfBatch] = []


class DrinkOfEvening(Entry):
    """A drink of an event, by its id in the file, and the name of its batch."""

    drink: Annotated[Plain, Field(min_length=1, max_length=220)]
    serves: Annotated[int, Field(ge=1, le=5000)]
    service: Literal["", "ice", "chilled", "freezer", "shaken", "bubbles"] = ""
    batch: Annotated[Plain, Field(max_length=200)] = ""
    container_ml: Annotated[float, Field(gt=0, le=100_000)] | None = None


class EveningOfHouse(Entry):
    """The planned event, and its ticks, by key."""

    name: Name
    at: Moment
    hands: Annotated[int, Field(ge=1, le=12)] = 1
    drinks: Annotated[list[DrinkOfEvening], Field(max_length=40)] = []
    ticks: Annotated[dict[Annotated[Plain, Field(max_length=400)], Moment], Field(max_length=2000)] = {}


class HouseFile(Entry):
    """A bar's data, or a part of it."""

    format: Literal["oenomel/house"] = "oenomel/house"
    version: Literal[1] = 1
    ingredients: list[IngredientEntry] = []
    amended: list[AmendedEntry] = []
    shelf: list[ShelfEntry] = []
    parts: list[HouseIngredientNote] = []
    palates: list[PalateEntry] = []
    changed: list[ChangedEntry] = []
    retired: list[Slug] = []
    preparations: list[PreparationOfHouse] = []
    lots: list[LotOfHouse] = []
    stock: StockOfHouse | None = None
    kinship: Annotated[list[KinshipOfHouse], Field(max_length=1000)] = []
    drinks: list[DrinkEntry] = []
    batches: list[BatchOfHouse] = []
    evening: EveningOfHouse | None = None
    tongues: TonguesOfHouse | None = None


OF_THE_SHELF: Final = "my shelf"
"""Source of a price that is stored with the shelf."""


def parse_house(content: Any) -> HouseFile:
    """Parse a house file from JSON; raises SpecError that names the first wrong place."""
    try:
        return HouseFile.model_validate(content)
    except ValidationError as error:
        raise spec_error(error.errors()[0]) from error


def house_text(house: HouseFile) -> str:
    """Write a house file: keys in their order, unset ones left out."""
    return json.dumps(house.model_dump(mode="json", exclude_unset=True), indent=1, ensure_ascii=False) + "\n"


def plain_name(name: str) -> str:
    """Return a name for comparison: without capitals and extra spaces; accents and marks count.

    >>> plain_name("Ete  Sour") == plain_name("ete sour"), plain_name("Été Sour") == plain_name("Ete sour")
    (True, False)
    """
    return " ".join(name.casefold().split())


def unused_id(base: str, taken: Container[str]) -> str:
    """Return an id that isn't taken: this one, or with a number appended."""
    if base not in taken:
        return base
    # Among many drinks of one name the next free number is found by doubling, not by trying each.
    high = 2
    while f"{base}-{high}" in taken:
        high *= 2
    return next(f"{base}-{n}" for n in range(high // 2 + 1 if high > 2 else 2, high + 1) if f"{base}-{n}" not in taken)
