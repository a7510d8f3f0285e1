"""Titration of acid: instructions, and the calculation."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

from oenomel.core.larder.composition import EQUIVALENT_WEIGHTS
from oenomel.errors import ImpossibleMeasurement, OutOfRange

SAMPLE_ML: Final = 10.0
LYE_MOL_PER_L: Final = 0.1
"""Sample of juice and strength of lye in the instructions (common practice of kitchens and wine cellars)."""

BURETTE_ML: Final = 100.0
LEAST_SAMPLE_ML: Final = 2.0
"""Volume of a kitchen burette; a sample is reduced to need at most two fillings, but not below the least sample, a spoonful."""

DROP_ML: Final = 0.05
SAMPLE_SD: Final = 0.01
LEAST_SD: Final = 0.01
"""Errors of a titration: a drop of lye, a hundredth of the sample, and a hundredth for indicator and lye (estimates)."""

TOO_LITTLE_G: Final = 0.05
"""Acid below which a titration isn't worthwhile, [g/100 ml]: it can't be tasted in a drink (a tenth of a step in a sour)."""


@dataclass(frozen=True, slots=True)
class Titrated:
    """Result of a titration: acid as citric in g per 100 ml, its standard deviation, and a sentence."""

    acid: float
    sd: float
    words: str


def titrated_acid(sample_ml: float, lye_ml: float, lye_mol_per_l: float = LYE_MOL_PER_L) -> Titrated:
    """Compute the acid as citric, [g/100 ml], from the lye used until the indicator turned.

    Parameters
    ----------
    sample_ml : float, [ml]          1 to 100
    lye_ml : float, [ml]             0 to 500
    lye_mol_per_l : float, [mol/l]   0.01 to 2

    Raises
    ------
    OutOfRange, ImpossibleMeasurement

    Notes
    -----
    A mole of sodium hydroxide takes an equivalent of acid: 64.04 g of citric acid.

    >>> round(titrated_acid(10, 93.7).acid, 2)
    6.0
    """
    bounds = (
        ("the sample in ml", sample_ml, 1, 100),
        ("the lye in ml", lye_ml, 0, 500),
        ("the lye in mol/l", lye_mol_per_l, 0.01, 2),
    )
    for name, value, low, high in bounds:
        if not low <= value <= high:
            raise OutOfRange(name, value, low, high)
    acid = lye_ml * lye_mol_per_l / 1000 * EQUIVALENT_WEIGHTS["citric"] / sample_ml * 100
    if acid > 60:
        raise ImpossibleMeasurement(
            f"{lye_ml:g} ml of lye in {sample_ml:g} ml would be {acid:.0f} g acid per 100 ml: read the burette again"
        )
    by_drop = DROP_ML / lye_ml if lye_ml > 0 else 0.0
    sd = max(acid * (SAMPLE_SD**2 + LEAST_SD**2 + by_drop**2) ** 0.5, DROP_ML * acid / lye_ml if lye_ml else 0.01)
    if acid < TOO_LITTLE_G:
        words = f"{acid:.2f} g/100 ml: too little to matter in a drink."
    elif by_drop > 0.05:
        words = f"Only {lye_ml:g} ml of lye: one drop is {100 * by_drop:.0f}% of it. Use a larger sample, or weaker lye."
    else:
        words = f"{acid:.2f} g/100 ml, as citric acid."
    return Titrated(acid, sd, words)


def lye_ml_for(acid: float, sample_ml: float, lye_mol_per_l: float = LYE_MOL_PER_L) -> float:
    """Compute the lye that a sample of known acid needs, [ml]; the inverse of `titrated_acid`.

    >>> round(lye_ml_for(6.0, 10), 1)
    93.7
    """
    return acid * sample_ml / 100 / EQUIVALENT_WEIGHTS["citric"] / lye_mol_per_l * 1000


def titration_recipe(expected_acid: float, sample_ml: float = SAMPLE_ML, lye_mol_per_l: float = LYE_MOL_PER_L) -> tuple[str, ...]:
    """Return the instructions, with the lye to prepare for the expected acid, [g/100 ml].

    The sample is smaller for a juice that would need more than a burette of 50 ml.
    """
    sample = sample_ml
    while lye_ml_for(expected_acid, sample, lye_mol_per_l) > BURETTE_ML and sample > LEAST_SAMPLE_ML:
        sample /= 2
    about = lye_ml_for(expected_acid, sample, lye_mol_per_l)
    per_ml = lye_mol_per_l / 1000 * EQUIVALENT_WEIGHTS["citric"] / sample * 100
    return (
        f"Strain it. Put {sample:g} ml into a glass, by pipette or weight. Add about 50 ml water and three drops of phenolphthalein.",
        f"Fill the burette with {lye_mol_per_l:g} M sodium hydroxide and set it to zero. "
        "This lye burns skin and eyes: wear goggles and gloves.",
        f"Add it drop by drop, swirling, until the pink stays for half a minute: about {about:.0f} ml to expect.",
        f"Each millilitre is {per_ml:.3f} g/100 ml of acid, as citric. Enter the burette reading, and pour the sample away.",
    )
