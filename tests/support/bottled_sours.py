"""Six sours in one bottle, water included, and the levels of what is poured into one."""

from oenomel.core.balance.mixing import mix
from oenomel.core.balance.profile import profile_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Pour

LARDER = catalogue()
BOTTLE = [
    Pour(LARDER["london-dry-gin"], 360, slot="base"),
    Pour(LARDER["lime-juice"], 180, slot="sour"),
    Pour(LARDER["simple-syrup-1-1"], 90, slot="sweet"),
    Pour(LARDER["still-water"], 180),
]


def level(pours, axis):
    """One figure of the mixture, in its own unit."""
    return getattr(profile_of(mix([pour.volume_ml for pour in pours], [pour.ingredient.composition.vector for pour in pours])), axis)
