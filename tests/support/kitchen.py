"""Preparations that several tests cook."""

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index, known_by
from oenomel.core.preparations.preparation import FinalMeasure, KitchenStep, Preparation, line_of

KNOWN = known_by(Index(Findable.of(each) for each in catalogue().values()), catalogue())


def preparation(kind, *lines, steps=(), name="A preparation", **final):
    """A preparation from (what, amount, unit) or (what, amount, unit, grams a cup), and what is done as words or steps."""
    made = tuple(line_of(f"lines[{at}]", *line, *(None,) * (4 - len(line)), KNOWN) for at, line in enumerate(lines))
    done = tuple(step if isinstance(step, KitchenStep) else KitchenStep(step) for step in steps)
    return Preparation(name, kind, made, done, FinalMeasure(**final))
