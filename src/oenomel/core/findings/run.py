"""All checks of one drink."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Final

from oenomel.core.findings import balance, cautions, making, measures
from oenomel.core.findings.finding import Case, Finding

__all__ = ["ORDER", "findings"]

ORDER: Final = {"error": 0, "warning": 1, "info": 2}

_CHECKS: Final[tuple[Callable[[Case], Iterator[Finding]], ...]] = (*measures.CHECKS, *making.CHECKS, *balance.CHECKS, *cautions.CHECKS)


def findings(case: Case) -> tuple[Finding, ...]:
    """All findings of a drink, errors first, then warnings, then what is good to know."""
    found = [finding for check in _CHECKS for finding in check(case)]
    return tuple(sorted(found, key=lambda finding: ORDER[finding.severity]))
