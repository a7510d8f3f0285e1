"""A finding: its code, its severity, a sentence, and the fixes."""

from dataclasses import replace

from support.drinks import drink

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink, Pour
from oenomel.core.spec.technique import Garnish, Serve
from oenomel.schemas.spec_fix import with_fix
from oenomel.schemas.spec_to_drink import spec_from_drink

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)


def in_glass(made: Drink, glass: str, ice: str = "none", garnish: tuple[str, ...] = ()) -> Drink:
    return replace(made, serve=Serve(glass, ice, tuple(Garnish(each) for each in garnish)))


def test_resized_drink_stays_on_the_marks_of_its_measures():
    party = in_glass(drink(RUM, LIME, SYRUP, ("caster-sugar", 5, "rim")), "tiny cup")
    party = replace(party, pours=(*party.pours, Pour(catalogue()["aromatic-bitters"], 1.6, "dash", "accent")))
    spec = spec_from_drink(party)
    spec = spec.model_copy(update={"pours": [*spec.pours[:-1], spec.pours[-1].model_copy(update={"unit": "dash", "amount": 2})]})
    (small,) = [f for f in forecast_of(party).findings if f.code == "glass-too-small"]
    sized = with_fix(spec, small.mends[-1])
    assert [p.amount for p in sized.pours] == [17.5, 6.5, 6.5, 5, 1.0]
    assert spec.pours[0].amount == 60
