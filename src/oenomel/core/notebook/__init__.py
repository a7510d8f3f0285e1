"""Trials: tasted, measured, laid side by side, learnt from, crossed, and what to try next."""

from oenomel.core.notebook.brief import Brief, BriefCheck, hold_against
from oenomel.core.notebook.lineage import branch, cross, origins
from oenomel.core.notebook.next_trial import Proposal, Sheet, TrialStanding, may_join, proposals, reference_of, tasted_from
from oenomel.core.notebook.palate import Palate, PalateAxis, Tasted, learn, palate_axes
from oenomel.core.notebook.readings import (
    QUANTITIES,
    READING_POINTS,
    BesideForecast,
    QuantityName,
    Reading,
    ReadingPoint,
    WaterFound,
    beside_forecast,
    check,
    forecast_reading,
    own_water,
    water_found,
    without_house_factor,
)
from oenomel.core.notebook.side_by_side import Circumstance, Made, SideBySide, TrialsRow, compare_trials
from oenomel.core.notebook.spec_cloud import SpecCloud, spec_cloud_of
from oenomel.core.notebook.tasting import Verdict, complaint_words, verdict_words

__all__ = [
    "QUANTITIES", "READING_POINTS", "BesideForecast", "Brief", "BriefCheck", "Circumstance", "Made", "Palate", "PalateAxis",
    "Proposal", "QuantityName", "Reading", "ReadingPoint", "Sheet", "SideBySide", "SpecCloud", "Tasted", "TrialStanding",
    "TrialsRow", "Verdict", "WaterFound", "beside_forecast", "branch", "check", "compare_trials", "complaint_words", "cross",
    "forecast_reading", "hold_against", "learn", "may_join", "origins", "own_water", "palate_axes", "proposals", "reference_of",
    "spec_cloud_of", "tasted_from", "verdict_words", "water_found", "without_house_factor",
]  # fmt: skip
