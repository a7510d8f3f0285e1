"""Bodies of the bench router."""

from __future__ import annotations

from oenomel.schemas.base import Report
from oenomel.schemas.reports.method_reports import GlassReport
from oenomel.schemas.routes.drinks_models import DrinkDetail
from oenomel.schemas.routes.families_models import FamilyReport
from oenomel.schemas.routes.forecast_models import ComparedReport
from oenomel.schemas.routes.ingredients_models import IngredientSummary
from oenomel.schemas.routes.rules_models import RulesReport


class BenchReport(Report):
    """All that the bench shows of a drink when it opens: the drink, its family, its ingredients, its draft (or its newest trial) compared
    with the trial before (None where it has no forecast), and the rules and glasses that it is drawn by.
    """

    drink: DrinkDetail
    family: FamilyReport
    ingredients: list[IngredientSummary]
    comparison: ComparedReport | None
    rules: RulesReport
    glasses: list[GlassReport]
