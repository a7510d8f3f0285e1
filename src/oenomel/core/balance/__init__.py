"""Where a drink stands: its figures from the tin to the glass, in steps a tongue can tell, and how sure they are."""

from oenomel.core.balance.attribution import THE_METHOD, Change, change_words, changes_between, paired_pours, stands_for
from oenomel.core.balance.doubt import Z80, Difference, Doubt, Driver, Drivers, Interval, difference_of, doubt_of, half_widths80
from oenomel.core.balance.levels import FIGURES, levels_of
from oenomel.core.balance.loudness import SMELL_STEP, Loudness, loudness_between, part_words, share_of_glass
from oenomel.core.balance.mixing import Liquid, Served, Temperatures, mix, served_drink, temperatures
from oenomel.core.balance.perception import (
    A_GUEST,
    AXES,
    CROSSTALK,
    TASTED_STEPS,
    UNCHANGED_STEPS,
    USUAL_TONGUE,
    Axis,
    OwnSteps,
    can_be_tasted,
    degree,
    felt_by,
    in_words,
    steps_between,
    sureness,
    tasted,
)
from oenomel.core.balance.pour_table import poured
from oenomel.core.balance.profile import (
    AS_CITRIC,
    AS_SUCROSE,
    BODY_WEIGHTS,
    KCAL_PER_G,
    STANDARD_DRINK_G,
    PourShare,
    Profile,
    body_word,
    pour_shares,
    profile_of,
)
from oenomel.core.balance.served import profile_of_drink, profile_of_made
from oenomel.core.balance.single import one_drink

__all__ = [
    "AS_CITRIC", "AS_SUCROSE", "AXES", "A_GUEST", "BODY_WEIGHTS", "CROSSTALK", "FIGURES", "KCAL_PER_G", "SMELL_STEP",
    "STANDARD_DRINK_G", "TASTED_STEPS", "THE_METHOD", "UNCHANGED_STEPS", "USUAL_TONGUE", "Z80", "Axis", "Change", "Difference",
    "Doubt", "Driver", "Drivers", "Interval", "Liquid", "Loudness", "OwnSteps", "PourShare", "Profile", "Served", "Temperatures",
    "body_word", "can_be_tasted", "change_words", "changes_between", "degree", "difference_of", "doubt_of", "felt_by",
    "half_widths80", "in_words", "levels_of", "loudness_between", "mix", "one_drink", "paired_pours", "part_words", "pour_shares",
    "poured", "profile_of", "profile_of_drink", "profile_of_made", "served_drink", "share_of_glass", "stands_for", "steps_between",
    "sureness", "tasted", "temperatures",
]  # fmt: skip
