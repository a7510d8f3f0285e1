"""All checks of one drink."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Final

from oenomel.core.checks.balance_checks import CHECKS as BALANCE
from oenomel.core.checks.cautions import CHECKS as CAUTIONS
from oenomel.core.checks.clashes import CHECKS as SENSE
from oenomel.core.checks.finding import Case, Finding
from oenomel.core.checks.method_checks import CHECKS as MAKING
from oenomel.core.checks.slips import CHECKS as MEASURES

ORDER: Final = {"error": 0, "warning": 1, "info": 2}

_CHECKS: Final[tuple[Callable[[Case], Iterator[Finding]], ...]] = (*MEASURES, *MAKING, *BALANCE, *SENSE, *CAUTIONS)


def findings(case: Case) -> tuple[Finding, ...]:
    """Return all findings of a drink: errors first, then warnings, then information."""
    all_findings = [finding for check in _CHECKS for finding in check(case)]
    return tuple(sorted(all_findings, key=lambda finding: ORDER[finding.severity]))
