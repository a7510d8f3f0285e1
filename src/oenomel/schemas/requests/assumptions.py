"""Assumptions of a forecast, as query parameters."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Annotated

from pydantic import Field

from oenomel.core.dilution import Conditions, HouseFactor
from oenomel.core.dilution.ice_conditions import DilutionSchool
from oenomel.core.spec import Technique
from oenomel.schemas.base import Entry

__all__ = ["AssumptionsQuery"]


class AssumptionsQuery(Entry):
    """Assumptions about ice and temperatures, where they differ from the defaults: see `core.dilution.Conditions`.

    ``own``: whether the bar's measured dilution is used.
    """

    dilution: DilutionSchool = "curve"
    ice_g: Annotated[float, Field(ge=0, le=5000, allow_inf_nan=False)] | None = None
    ice_c: Annotated[float, Field(ge=-40, le=0, allow_inf_nan=False)] = 0.0
    surface_water: Annotated[float, Field(ge=0, le=0.3, allow_inf_nan=False)] | None = None
    start_c: Annotated[float, Field(ge=-20, le=60, allow_inf_nan=False)] = 22.0
    room_c: Annotated[float, Field(ge=0, le=50, allow_inf_nan=False)] = 22.0
    own: bool = True

    def conditions(self, factors: Mapping[Technique, HouseFactor]) -> Conditions:
        """Return the assumptions as the core takes them, with the bar's own dilution."""
        return Conditions(**self.model_dump(include=set(AssumptionsQuery.model_fields) - {"own"}), factors=factors)
