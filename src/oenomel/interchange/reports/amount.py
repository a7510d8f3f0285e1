"""A typed amount, read beside the drink it stands in."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from oenomel.core.glass import to_the_line_ml
from oenomel.core.spec import Drink, Measure, TypedAmount, Unit, parse_typed, to_ml
from oenomel.errors import SpecError
from oenomel.interchange.models import Pair, Report
from oenomel.interchange.requests.amount import AmountRequest
from oenomel.interchange.spec.file import RelativeEntry

__all__ = ["AmountReport", "read_typed"]


class AmountReport(Report):
    """What the text means, in the keys of a pour; or what it may mean, where one has to choose."""

    amount: float | None
    unit: Unit
    said: str | None
    relative: RelativeEntry | None
    range: Pair | None
    choices: list[Measure]


def read_typed(request: AmountRequest, drink: Drink, served_ml: Callable[[], float]) -> AmountReport:
    """The amount that a text means for a pour; ``drink`` is the one its spec describes, ``served_ml`` tells what it makes.

    Raises
    ------
    SpecError
        There is no such pour.
    DomainError
    """
    if request.pour >= len(drink.pours):
        raise SpecError("pour", f"there is no pour {request.pour}; the spec has {len(drink.pours)}, counted from 0")
    said = parse_typed(request.text, request.unit, [(p.ingredient, p.slot) for p in drink.pours], request.pour)
    ml = [_ml(each, request, drink) for each in _spoken_of(said)]
    if said.follows is not None:
        followed = said.times * drink.pours[said.follows].volume_ml
        return _report(Measure(followed, "ml"), said, relative=RelativeEntry(to=said.follows, times=said.times))
    if said.to_the_line:
        return _report(Measure(round(to_the_line_ml(drink, request.pour, served_ml()), 1), "ml"), said)
    return _report(said.spoken, said, ends=[min(ml[1:]), max(ml[1:])] if said.ends else None)


def _spoken_of(said: TypedAmount) -> Sequence[Measure]:
    return [*([said.spoken] if said.spoken else []), *(said.ends or ())]


def _ml(spoken: Measure, request: AmountRequest, drink: Drink) -> float:
    # Refuses what can't be poured of it.
    return to_ml(spoken.amount, spoken.unit, drink.pours[request.pour].ingredient, request.spec.ounce_ml, request.spec.part_ml)


def _report(
    spoken: Measure | None, said: TypedAmount, relative: RelativeEntry | None = None, ends: list[float] | None = None
) -> AmountReport:
    return AmountReport.model_validate(
        {
            "amount": None if spoken is None else spoken.amount,
            "unit": "ml" if spoken is None else spoken.unit,
            "said": said.said,
            "relative": relative,
            "range": ends,
            "choices": list(said.choices),
        }
    )
