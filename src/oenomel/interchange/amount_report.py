"""A typed amount, read beside the drink it stands in."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from oenomel.core.drink import Drink
from oenomel.core.sight import to_the_line_ml
from oenomel.core.spoken import Said, parse_said
from oenomel.core.units import SpokenAmount, to_ml
from oenomel.errors import SpecError
from oenomel.interchange.spec_file import RelativeEntry, SpecFile, Unit

__all__ = ["AmountReport", "AmountRequest", "read_said"]


class AmountRequest(BaseModel):
    """A text such as "3/4 oz", "half a lime" or "top to the line", typed for a pour of a spec, by its place; ``unit`` is meant where none
    is typed.
    """

    model_config = ConfigDict(extra="forbid")

    text: Annotated[str, Field(max_length=60)]
    unit: Unit = "ml"
    spec: SpecFile
    pour: Annotated[int, Field(ge=0, le=59)]


class PlainAmount(BaseModel):
    """A number and its unit."""

    model_config = ConfigDict(extra="forbid", from_attributes=True)

    amount: float
    unit: Unit


class AmountReport(BaseModel):
    """What the text means, in the keys of a pour; or what it may mean, where one has to choose."""

    model_config = ConfigDict(extra="forbid")

    amount: float | None
    unit: Unit
    said: str | None
    relative: RelativeEntry | None
    range: Annotated[list[float], Field(min_length=2, max_length=2)] | None
    choices: list[PlainAmount]


def read_said(request: AmountRequest, drink: Drink, served_ml: Callable[[], float]) -> AmountReport:
    """The amount that a text means for a pour; ``drink`` is the one its spec describes, ``served_ml`` tells what it makes.

    Raises
    ------
    SpecError
        There is no such pour.
    DomainError
    """
    if request.pour >= len(drink.pours):
        raise SpecError("pour", f"there is no pour {request.pour}; the spec has {len(drink.pours)}, counted from 0")
    said = parse_said(request.text, request.unit, [(p.ingredient, p.slot) for p in drink.pours], request.pour)
    ml = [_ml(each, request, drink) for each in _spoken_of(said)]
    if said.follows is not None:
        followed = said.times * drink.pours[said.follows].volume_ml
        return _report(SpokenAmount(followed, "ml"), said, relative=RelativeEntry(to=said.follows, times=said.times))
    if said.to_the_line:
        return _report(SpokenAmount(round(to_the_line_ml(drink, request.pour, served_ml()), 1), "ml"), said)
    return _report(said.spoken, said, ends=[min(ml[1:]), max(ml[1:])] if said.ends else None)


def _spoken_of(said: Said) -> Sequence[SpokenAmount]:
    return [*([said.spoken] if said.spoken else []), *(said.ends or ())]


def _ml(spoken: SpokenAmount, request: AmountRequest, drink: Drink) -> float:
    # Refuses what can't be poured of it.
    return to_ml(spoken.amount, spoken.unit, drink.pours[request.pour].ingredient, request.spec.ounce_ml, request.spec.part_ml)


def _report(
    spoken: SpokenAmount | None, said: Said, relative: RelativeEntry | None = None, ends: list[float] | None = None
) -> AmountReport:
    return AmountReport.model_validate(
        {
            "amount": None if spoken is None else spoken.amount,
            "unit": "ml" if spoken is None else spoken.unit,
            "said": said.said,
            "relative": relative,
            "range": ends,
            "choices": [PlainAmount.model_validate(choice) for choice in said.choices],
        }
    )
