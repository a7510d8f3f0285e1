"""The roles of an original drink, and which ingredients may play each."""

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import BALANCING, PARTS, unasked, usual_ml
from oenomel.core.originals.space import ORDER
from oenomel.core.originals.usual_measures import accent_pour, below_overpowering_ml


def test_nothing_is_ever_poured_above_what_is_loud():
    for family in ("sour", "daisy", "fizz"):
        wish = Criteria(family)
        for each in catalogue().values():
            loud = each.label("loud_above_ml")
            if loud is None or not unasked(each):
                continue
            for part in ORDER:
                if part in BALANCING or part in ("base2", "accent2") or not PARTS[part].plays(each, wish):
                    continue
                ml = accent_pour(each).liquid_ml if part == "accent" else usual_ml(part, each, wish)
                assert 0 <= ml <= loud, (each.slug, part)
            assert below_overpowering_ml(each, 60.0) <= loud
