"""Bodies and queries of the forecast router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.schemas.base import Entry, Plain
from oenomel.schemas.reports.amount_reports import AmountReport
from oenomel.schemas.reports.forecast_reports import (
    ComparisonReport,
)
from oenomel.schemas.requests.amount_requests import TypedEntry
from oenomel.schemas.spec_file import SpecFile


class CompareRequest(Entry):
    """A drink and the parent it is compared with; an amount being typed, if any; and whose thresholds are used: a taster's, the bar's
    for an empty name, the usual ones for None.
    """

    spec: SpecFile
    parent: SpecFile
    typed: TypedEntry | None = None
    tongue: Annotated[Plain, Field(max_length=100)] | None = None


class ComparedReport(ComparisonReport):
    """The comparison, the meaning of the typed amount, which is in the drink, and whose thresholds were used, empty for a guest's."""

    typed: AmountReport | None = None
    for_taster: str = ""


class MendRequest(Entry):
    """Fix to apply: the finding's code and pour, and the index of the fix; the parent where the finding needs it."""

    spec: SpecFile
    parent: SpecFile | None = None
    code: Annotated[Plain, Field(max_length=60)]
    pour: Annotated[int, Field(ge=0, le=1000)] | None = None
    mend: Annotated[int, Field(ge=0, le=20)] = 0
