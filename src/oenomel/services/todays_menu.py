"""Today's drinks: each finished drink with today's lots, kept until a lot, the larder or the ice changes."""

from __future__ import annotations

import sqlite3
from collections import Counter, OrderedDict
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import partial
from threading import Lock
from typing import Final, TypeVar, cast

from oenomel.core.balance import AXES
from oenomel.core.dilution import Conditions
from oenomel.core.forecast import Forecast, forecast_of
from oenomel.core.lots import Lot
from oenomel.core.menu import TodaysDrink, WorthMeasuring, todays_drink, with_lots, worth_measuring
from oenomel.core.spec import Drink
from oenomel.core.wording import with_unit
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.services.open_lots import assumed_ingredient, todays_lots
from oenomel.services.readable import UNREADABLE
from oenomel.services.resolve import resolve
from oenomel.store import drinks, ingredients
from oenomel.store.lots import LotRecord

__all__ = ["ListedDrink", "TodaysList", "surer_words", "todays_list"]

MOST_KEPT: Final = 1500
_UNITS: Final = {"sugar": "g", "acid": "g", "abv": "%"}


@dataclass(frozen=True)
class ListedDrink:
    """A finished drink: its trial as written and as today."""

    drink_id: int
    trial_number: int
    name: str
    spec: SpecFile
    written: Drink
    today: TodaysDrink


@dataclass(frozen=True)
class TodaysList:
    """Today's drinks, today's lots by slug, and the useful measurements. ``whole_book`` where nothing is finished."""

    drinks: tuple[ListedDrink, ...]
    lots: dict[str, tuple[LotRecord, Lot]]
    worth: tuple[WorthMeasuring, ...]
    whole_book: bool

    @property
    def drinks_pouring(self) -> Counter[str]:
        """Number of today's drinks that pour each ingredient, by slug."""
        return Counter(slug for drink in self.drinks for slug in {pour.ingredient.slug for pour in drink.written.pours})


Kept = TypeVar("Kept")
_kept: OrderedDict[tuple[object, ...], object] = OrderedDict()
_lock = Lock()


def todays_list(conn: sqlite3.Connection, conditions: Conditions, grid_ml: float = 2.5) -> TodaysList:
    """Return the finished drinks of the book (where none is, the newest trial of each) with today's lots."""
    trials = drinks.finished(conn)
    whole_book = not trials
    if whole_book:
        trials = list(drinks.latest_trials(conn, [drink_id for drink_id, _ in drinks.names(conn)]).values())
    names = dict(drinks.names(conn))
    token = ingredients.state(conn)
    specs, written, readable = [], [], []
    for trial in trials:
        try:
            spec, drink = _once((trial.spec, token), partial(_written, conn, trial.spec))
        except UNREADABLE:
            continue
        readable.append(trial)
        specs.append(spec)
        written.append(drink)
    trials = readable
    lots = todays_lots(conn, {pour.ingredient.slug for drink in written for pour in drink.pours})
    listed = []
    for trial, spec, drink in zip(trials, specs, written, strict=True):
        own = {slug: pair for slug, pair in lots.items() if any(pour.ingredient.slug == slug for pour in drink.pours)}
        read = {slug: lot.ingredient for slug, (_, lot) in own.items()}
        # Everything that a reading doesn't change is computed once: the drink as written, and with the lots but without readings.
        cache_key = (trial.spec, token, repr(conditions))
        cooked = tuple(sorted((slug, record.id, record.contents) for slug, (record, _) in own.items()))
        lots_key = tuple(sorted((slug, lot.ingredient.composition.row.tobytes()) for slug, (_, lot) in own.items()))
        before = _once(cache_key, partial(forecast_of, drink, conditions))
        unread = _once((*cache_key, cooked), partial(_unread, drink, own, conditions))
        today = _once((*cache_key, cooked, lots_key, grid_ml), partial(todays_drink, before, unread, read, grid_ml))
        listed.append(ListedDrink(trial.drink_id, trial.number, names[trial.drink_id], spec, drink, today))
    measured = [
        (slug, axis)
        for slug, (_, lot) in lots.items()
        for axis in AXES
        for figure in lot.figures
        if figure.figure == axis and figure.measured is not None
    ]
    known = {pour.ingredient.slug: pour.ingredient for drink in written for pour in drink.pours}
    worth = worth_measuring([listed_drink.today.present for listed_drink in listed], known.values(), measured)
    return TodaysList(tuple(listed), lots, tuple(worth), whole_book)


def surer_words(axis: str, before: float, after: float) -> str:
    """Describe how much more certain a reading makes a figure; empty where the difference isn't worth printing.

    >>> surer_words("acid", 0.131, 0.058)
    'acidity ±0.06 g instead of ±0.13 g'
    """
    digits, unit = (2 if axis == "acid" else 1), _UNITS[axis]
    was, now_is = f"{before:.{digits}f}", f"{after:.{digits}f}"
    return "" if was == now_is else f"{AXES[axis].noun} ±{with_unit(now_is, unit)} instead of ±{with_unit(was, unit)}"


def _written(conn: sqlite3.Connection, text: str) -> tuple[SpecFile, Drink]:
    """Return a drink as written, whichever lots its trial was made with."""
    spec = _without_lots(parse_spec(text))
    (drink,) = resolve(conn, spec)
    return spec, drink


def _without_lots(spec: SpecFile) -> SpecFile:
    return spec.model_copy(update={"pours": [pour.model_copy(update={"lot": None}) for pour in spec.pours]})


def _unread(drink: Drink, own: Mapping[str, tuple[LotRecord, Lot]], conditions: Conditions) -> Forecast:
    """Return the drink with these lots but without their readings."""
    bases = {pour.ingredient.slug: pour.ingredient for pour in drink.pours}
    return forecast_of(with_lots(drink, {slug: assumed_ingredient(bases[slug], record) for slug, (record, _) in own.items()}), conditions)


def _once(key: tuple[object, ...], make: Callable[[], Kept]) -> Kept:
    """Return the cached result for a key, or compute it; the longest unused ones are dropped."""
    with _lock:
        if key in _kept:
            _kept.move_to_end(key)
            return cast("Kept", _kept[key])
    kept = make()
    with _lock:
        _kept[key] = kept
        while len(_kept) > MOST_KEPT:
            _kept.popitem(last=False)
    return kept
