"""All checks of one drink."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Final

from oenomel.core.findings.balance import CHECKS as BALANCE
from oenomel.core.findings.cautions import CHECKS as CAUTIONS
from oenomel.core.findings.finding import Case, Finding
from oenomel.core.findings.making import CHECKS as MAKING
from oenomel.core.findings.measures import CHECKS as MEASURES
from oenomel.core.findings.sense import CHECKS as SENSE

ORDER: Final = {"error": 0, "warning": 1, "info": 2}

_CHECKS: Final[tuple[Callable[[Case], Iterator[Finding]], ...]] = (*MEASURES, *MAKING, *BALANCE, *SENSE, *CAUTIONS)


def findings(case: Case) -> tuple[Finding, ...]:
    """All findings of a drink, errors first, then warnings, then what is good to know."""
    found = [finding for check in _CHECKS for finding in check(case)]
    return tuple(sorted(found, key=lambda finding: ORDER[finding.severity]))
