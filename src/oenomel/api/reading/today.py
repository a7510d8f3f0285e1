"""The list as it is today: each finished drink of today's lots, kept until a lot, the larder or the ice changes."""

from __future__ import annotations

import sqlite3
from collections import OrderedDict
from dataclasses import dataclass
from threading import Lock
from typing import Final

from oenomel.api.reading.house import resolve
from oenomel.api.reading.lots import supposed, todays_lots
from oenomel.core.balance import AXES
from oenomel.core.ice import Conditions
from oenomel.core.larder import Ingredient, Lot
from oenomel.core.spec import Drink
from oenomel.core.today import TodaysDrink, WorthMeasuring, todays_drink, worth_measuring
from oenomel.interchange.spec.file import SpecFile, parse_spec
from oenomel.store import drinks, ingredients
from oenomel.store.lots import LotRecord

__all__ = ["ListedDrink", "TodaysList", "surer_words", "todays_list"]

MOST_KEPT: Final = 500
_UNITS: Final = {"sugar": "g", "acid": "g", "abv": "%"}


@dataclass(frozen=True)
class ListedDrink:
    """A finished drink of the list: which trial it is, as written, and of today."""

    drink_id: int
    trial_number: int
    name: str
    spec: SpecFile
    written: Drink
    today: TodaysDrink


@dataclass(frozen=True)
class TodaysList:
    """The list today: its drinks, today's lots by slug, and which measurements would help. ``whole_book`` where nothing is finished."""

    drinks: tuple[ListedDrink, ...]
    lots: dict[str, tuple[LotRecord, Lot]]
    worth: tuple[WorthMeasuring, ...]
    whole_book: bool


_kept: OrderedDict[tuple[object, ...], TodaysDrink] = OrderedDict()
_lock = Lock()


def todays_list(conn: sqlite3.Connection, conditions: Conditions, grid_ml: float = 2.5) -> TodaysList:
    """The finished drinks of the book (where none is marked, the newest trial of each), made of today's lots."""
    trials = drinks.finished(conn)
    whole_book = not trials
    if whole_book:
        trials = list(drinks.latest_trials(conn, [drink_id for drink_id, _ in drinks.names(conn)]).values())
    # A drink of the list is held against what was written, whichever lots its trial was made of.
    specs = [_without_lots(parse_spec(each.spec)) for each in trials]
    written = resolve(conn, *specs)
    token = ingredients.state(conn)
    found = todays_lots(conn, {pour.ingredient.slug for drink in written for pour in drink.pours})
    listed = []
    for trial, spec, drink in zip(trials, specs, written, strict=True):
        own = {slug: each for slug, each in found.items() if any(pour.ingredient.slug == slug for pour in drink.pours)}
        read = {slug: lot.ingredient for slug, (_, lot) in own.items()}
        signature = tuple(
            sorted((slug, record.id, record.contents, lot.ingredient.composition.row.tobytes()) for slug, (record, lot) in own.items())
        )
        key = (trial.spec, token, signature, repr(conditions), grid_ml)
        today = _recall(key)
        if today is None:
            unread = {slug: _unread(drink, record) for slug, (record, _) in own.items()}
            today = todays_drink(drink, read, unread, conditions, grid_ml)
            _remember(key, today)
        listed.append(ListedDrink(trial.drink_id, trial.number, spec.name, spec, drink, today))
    measured = [
        (slug, axis)
        for slug, (_, lot) in found.items()
        for axis in AXES
        for each in lot.figures
        if each.figure == axis and each.measured is not None
    ]
    known = {pour.ingredient.slug: pour.ingredient for drink in written for pour in drink.pours}
    worth = worth_measuring([each.today.present for each in listed], known.values(), measured)
    return TodaysList(tuple(listed), found, tuple(worth), whole_book)


def surer_words(axis: str, before: float, after: float) -> str:
    """How much surer a reading makes a figure, as it is said; empty where it makes no difference that is worth printing.

    >>> surer_words("acid", 0.131, 0.058)
    'with this reading the acidity is ± 0.06 g instead of ± 0.13 g'
    """
    digits, unit = (2 if axis == "acid" else 1), _UNITS[axis]
    was, now_is = f"{before:.{digits}f}", f"{after:.{digits}f}"
    return "" if was == now_is else f"with this reading the {AXES[axis].noun} is ± {now_is} {unit} instead of ± {was} {unit}"


def _without_lots(spec: SpecFile) -> SpecFile:
    return spec.model_copy(update={"pours": [pour.model_copy(update={"lot": None}) for pour in spec.pours]})


def _unread(drink: Drink, record: LotRecord) -> Ingredient:
    base = next(pour.ingredient for pour in drink.pours if pour.ingredient.slug == record.slug)
    return supposed(base, record)


def _recall(key: tuple[object, ...]) -> TodaysDrink | None:
    with _lock:
        found = _kept.get(key)
        if found is not None:
            _kept.move_to_end(key)
        return found


def _remember(key: tuple[object, ...], today: TodaysDrink) -> None:
    with _lock:
        _kept[key] = today
        while len(_kept) > MOST_KEPT:
            _kept.popitem(last=False)
