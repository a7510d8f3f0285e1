"""Applying the fix of a finding to its spec."""

from __future__ import annotations

from typing import Any, Final

from oenomel.core.checks import Fix
from oenomel.core.checks.finding import Edit
from oenomel.core.spec import parse_amount
from oenomel.schemas.spec_file import PourEntry, ServeEntry, SpecFile

__all__ = ["with_fix"]

_SIZED_UNITS: Final = frozenset({"ml", "cl", "oz", "g", "cup", "splash", "tbsp", "tsp", "barspoon", "part"})
_GRID: Final = {"ml": 0.5, "cl": 0.05, "oz": 0.125}


def with_fix(spec: SpecFile, mend: Fix) -> SpecFile:
    """Return the spec with every edit of a fix; the original is unchanged."""
    for edit in mend.edits:
        spec = _with_edit(spec, edit)
    return spec


def _with_edit(spec: SpecFile, edit: Edit) -> SpecFile:
    changes: dict[str, Any] = dict(edit.changes)
    match edit.place:
        case "pour" if edit.index is None:
            return spec.model_copy(update={"pours": [*spec.pours, PourEntry.model_validate(changes)]})
        case "pour":
            # The user's words for the old amount no longer apply.
            changes |= {"said": None, "relative": None, "range": None} if changes.keys() & {"amount", "unit"} else {}
            return _with_pours(spec, [p.model_copy(update=changes) if i == edit.index else p for i, p in enumerate(spec.pours)])
        case "amounts":
            chosen = range(len(spec.pours)) if edit.index is None else (edit.index,)
            return _with_pours(spec, [_times(p, changes["times"]) if i in chosen else p for i, p in enumerate(spec.pours)])
        case "method":
            return spec.model_copy(update={"method": spec.method.model_copy(update=changes)})
        case _:
            return spec.model_copy(update={"serve": ServeEntry.model_validate(spec.serve.model_dump() | changes)})


def _with_pours(spec: SpecFile, pours: list[PourEntry]) -> SpecFile:
    return spec.model_copy(update={"pours": pours})


def _times(pour: PourEntry, times: float) -> PourEntry:
    """Return a pour scaled, on the marks of its measure; dashes, drops, pieces and leaves stay whole, the rim unchanged."""
    if pour.stage in ("rim", "garnish"):
        return pour
    amount = parse_amount(pour.amount) * times
    if pour.unit in _SIZED_UNITS:
        grid = _GRID.get(pour.unit, 0.25)
        resized = round(max(grid, round(amount / grid) * grid), 6)
    else:
        resized = float(max(1, round(amount)))
    wide = [end * times for end in pour.range] if pour.range else None
    return pour.model_copy(update={"amount": resized, "said": None, "range": wide})
