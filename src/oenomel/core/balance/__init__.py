"""Balance of a drink: its values from the tin to the glass, in noticeable differences, with their uncertainty."""

from oenomel.core.balance.aroma_share import loudness_between
from oenomel.core.balance.attribution import Change, changes_between, paired_pours
from oenomel.core.balance.levels import FIGURES
from oenomel.core.balance.mixing import Liquid, Served, mix
from oenomel.core.balance.perception import (
    AXES,
    TASTED_STEPS,
    USUAL_TONGUE,
    Axis,
    OwnSteps,
    can_be_tasted,
    in_words,
    steps_between,
    sureness,
    tasted,
)
from oenomel.core.balance.pour_table import poured
from oenomel.core.balance.profile import PourShare, Profile
from oenomel.core.balance.served import profile_as_made
from oenomel.core.balance.uncertainty import Z80

__all__ = [
    "AXES",
    "FIGURES",
    "TASTED_STEPS",
    "USUAL_TONGUE",
    "Z80",
    "Axis",
    "Change",
    "Liquid",
    "OwnSteps",
    "PourShare",
    "Profile",
    "Served",
    "can_be_tasted",
    "changes_between",
    "in_words",
    "loudness_between",
    "mix",
    "paired_pours",
    "poured",
    "profile_as_made",
    "steps_between",
    "sureness",
    "tasted",
]
