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
    """A drink and the parent it is compared with; with what is being typed for a pour of it, if something is; and for whose tongue the
    words are: a taster's, the bar's for an empty name, the usual one for nobody.
    """

    spec: SpecFile
    parent: SpecFile
    typed: TypedEntry | None = None
    tongue: Annotated[Plain, Field(max_length=100)] | None = None


class ComparedReport(ComparisonReport):
    """The comparison, and what the typed text means: the drink is then the one with that amount in it; and for whose tongue it is told,
    empty for a guest's.
    """

    typed: AmountReport | None = None
    for_taster: str = ""


class MendRequest(Entry):
    """Fix to apply: the finding's code and pour, and the fix's place in its list; the parent where the finding only shows beside it."""

    spec: SpecFile
    parent: SpecFile | None = None
    code: Annotated[Plain, Field(max_length=60)]
    pour: Annotated[int, Field(ge=0, le=1000)] | None = None
    mend: Annotated[int, Field(ge=0, le=20)] = 0
