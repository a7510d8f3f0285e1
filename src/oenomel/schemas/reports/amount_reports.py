"""A typed amount, read in the context of its drink."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from oenomel.core.glass.appearance import to_the_line_ml
from oenomel.core.spec import Drink, Unit, to_ml
from oenomel.core.spec.typed_amount import PART_SIZES_ML, Ambiguity, TypedAmount, parse_typed
from oenomel.core.spec.units import Measure
from oenomel.errors import SpecError
from oenomel.schemas.base import Pair, Report
from oenomel.schemas.requests.amount_requests import TypedEntry
from oenomel.schemas.spec_file import RelativeEntry, SpecFile

__all__ = ["AmountReport", "read_typed", "with_amount"]


class AmountReport(Report):
    """Meaning of a typed text, with the keys of a pour.

    ``asks`` is empty where the amount is clear; else the user must first be asked "which" of the ``choices`` is meant, how big a "part"
    is (``choices`` are the amounts for each of ``part_sizes``, in ml), or which amount of a "range".
    """

    amount: float | None
    unit: Unit
    said: str | None
    relative: RelativeEntry | None
    range: Pair | None
    choices: list[Measure]
    asks: Ambiguity
    part_sizes: list[float]


def read_typed(typed: TypedEntry, spec: SpecFile, drink: Drink, served_ml: Callable[[], float]) -> AmountReport:
    """Read a typed amount for a pour; ``drink`` is the one of its spec, ``served_ml`` its volume as served.

    Raises
    ------
    SpecError
        There is no such pour.
    DomainError
    """
    if typed.pour >= len(drink.pours):
        raise SpecError("pour", f"there is no ingredient {typed.pour}: the spec has {len(drink.pours)}, counted from 0")
    pours = [(pour.ingredient, pour.slot) for pour in drink.pours]
    typed_amount = parse_typed(typed.text, typed.unit, pours, typed.pour, spec.part_ml, spec.ounce_ml)
    if typed_amount.asks:
        return _report(typed_amount.spoken, typed_amount)
    ml = [_ml(measure, typed, spec, drink) for measure in _spoken_of(typed_amount)]
    if typed_amount.follows is not None:
        followed = typed_amount.times * drink.pours[typed_amount.follows].volume_ml
        return _report(Measure(followed, "ml"), typed_amount, relative=RelativeEntry(to=typed_amount.follows, times=typed_amount.times))
    if typed_amount.to_the_line:
        return _report(Measure(round(to_the_line_ml(drink, typed.pour, served_ml()), 1), "ml"), typed_amount)
    return _report(typed_amount.spoken, typed_amount, ends=[min(ml[1:]), max(ml[1:])] if typed_amount.ends else None)


def with_amount(spec: SpecFile, pour: int, read: AmountReport) -> SpecFile:
    """Return the spec with a typed amount in place; unchanged where the text is a question."""
    if read.asks or read.amount is None:
        return spec
    values = {name: getattr(read, name) for name in ("amount", "unit", "said", "relative")}
    values |= {"range": read.range} if read.range is not None else {}
    return spec.model_copy(
        update={"pours": [entry.model_copy(update=values) if at == pour else entry for at, entry in enumerate(spec.pours)]}
    )


def _spoken_of(amount: TypedAmount) -> Sequence[Measure]:
    return [*([amount.spoken] if amount.spoken else []), *(amount.ends or ())]


def _ml(spoken: Measure, typed: TypedEntry, spec: SpecFile, drink: Drink) -> float:
    # Raises for an amount that can't be poured.
    return to_ml(spoken.amount, spoken.unit, drink.pours[typed.pour].ingredient, spec.ounce_ml, spec.part_ml)


def _report(
    spoken: Measure | None, amount: TypedAmount, relative: RelativeEntry | None = None, ends: list[float] | None = None
) -> AmountReport:
    return AmountReport.model_validate(
        {
            "amount": None if spoken is None else spoken.amount,
            "unit": "ml" if spoken is None else spoken.unit,
            "said": amount.said,
            "relative": relative,
            "range": ends,
            "choices": list(amount.choices),
            "asks": amount.asks,
            "part_sizes": list(PART_SIZES_ML) if amount.asks == "part" else [],
        }
    )
