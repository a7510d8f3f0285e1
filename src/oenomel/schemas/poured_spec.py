"""The spec of a drink that was derived from another spec's drink: amounts moved, pours swapped, split or added."""

from __future__ import annotations

from typing import Any, Final

from oenomel.core.larder import SOLIDS_ML_PER_G
from oenomel.core.spec import BAR_OUNCE_ML, ML_PER_UNIT, Drink, Pour, Unit
from oenomel.schemas.spec_file import PourEntry, SpecFile
from oenomel.schemas.spec_to_drink import follows, written

__all__ = ["in_millilitres", "settled", "spoken_of", "with_pours_of"]

_SAME_ML: Final = 1e-6


def with_pours_of(spec: SpecFile, before: Drink, drink: Drink) -> SpecFile:
    """Return the spec of ``before`` with the pours of ``drink``.

    A pour that is still there keeps its keys; a changed amount is written in the unit it had, where that is exact enough. A relative
    amount stays relative only while it is still right.
    """
    unmatched = list(range(len(before.pours)))
    sources: list[int | None] = []
    for pour in drink.pours:
        source = next((i for i in unmatched if _same_pour(before.pours[i], pour)), None)
        if source is not None:
            unmatched.remove(source)
        sources.append(source)
    entries = [
        _entry(pour, None if source is None else spec.pours[source], None if source is None else before.pours[source], spec.ounce_ml)
        for pour, source in zip(drink.pours, sources, strict=True)
    ]
    volumes = [pour.volume_ml for pour in drink.pours]
    return spec.model_copy(update={"pours": [_following(entry, sources, at, volumes) for at, entry in enumerate(entries)]})


def settled(spec: SpecFile, drink: Drink) -> SpecFile:
    """Return a spec with every relative amount resolved."""
    entries = [
        _rewritten(entry, pour, spec.ounce_ml) if entry.relative is not None else entry
        for entry, pour in zip(spec.pours, drink.pours, strict=True)
    ]
    return spec.model_copy(update={"pours": entries})


def _rewritten(entry: PourEntry, pour: Pour, ounce_ml: float) -> PourEntry:
    amount, unit = spoken_of(pour, entry.unit, ounce_ml)
    return entry.model_copy(update={"amount": amount, "unit": unit})


def in_millilitres(spec: SpecFile, drink: Drink) -> list[PourEntry]:
    """Return a spec with every amount in ml."""
    return [
        entry.model_copy(update={"amount": pour.volume_ml, "unit": "ml", "said": None})
        for entry, pour in zip(spec.pours, drink.pours, strict=True)
    ]


def _same_pour(before: Pour, after: Pour) -> bool:
    return (before.ingredient.slug, before.slot, before.stage) == (after.ingredient.slug, after.slot, after.stage)


def _entry(pour: Pour, entry: PourEntry | None, before: Pour | None, ounce_ml: float) -> PourEntry:
    if entry is not None and before is not None and abs(before.volume_ml - pour.volume_ml) < _SAME_ML:
        return entry
    unit = pour.unit if entry is None else entry.unit
    amount, unit = spoken_of(pour, unit, ounce_ml)
    changes: dict[str, Any] = {"amount": amount, "unit": unit, "said": None, "range": None}
    if entry is not None:
        return entry.model_copy(update=changes)
    return PourEntry.model_validate({"ingredient": written(pour.ingredient), "slot": pour.slot, "stage": pour.stage, **changes})


def spoken_of(pour: Pour, unit: Unit, ounce_ml: float = BAR_OUNCE_ML) -> tuple[float, Unit]:
    """Return an amount in its usual unit: dashes, drops, pieces and grams as they are, everything else as a volume."""
    ingredient, per_unit = pour.ingredient, {"cl": 10.0, "oz": ounce_ml, "dash": ML_PER_UNIT["dash"], "drop": ML_PER_UNIT["drop"]}.get(unit)
    if ingredient.composition.solid:
        per_unit, unit = SOLIDS_ML_PER_G, "g"
    elif unit in ("piece", "leaf") and ingredient.piece_ml:
        per_unit = ingredient.piece_ml
    if per_unit is None:
        return round(pour.volume_ml, 6), "ml"
    return round(pour.volume_ml / per_unit, 6), unit


def _following(entry: PourEntry, sources: list[int | None], at: int, volumes: list[float]) -> PourEntry:
    """Return an entry with the new index of the pour that it is relative to; or with an absolute amount."""
    if entry.relative is None:
        return entry
    if entry.relative.to not in sources:
        return entry.model_copy(update={"relative": None})
    index = sources.index(entry.relative.to)
    if not follows(volumes[at], entry.relative.times * volumes[index]):
        return entry.model_copy(update={"relative": None})
    return entry.model_copy(update={"relative": entry.relative.model_copy(update={"to": index})})
