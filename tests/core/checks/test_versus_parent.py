"""Checks against the parent: a swap with a hidden effect, and a trial that changed too much to teach anything."""

from dataclasses import replace

from support.drinks import drink

from oenomel.core.forecast.comparison import compare
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Method
from oenomel.schemas.spec_fix import with_fix
from oenomel.schemas.spec_to_drink import spec_from_drink

RUM, LIME, SYRUP = ("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)

SOUR = drink(RUM, LIME, SYRUP)


def by(made: Drink, method: Method) -> Drink:
    return replace(made, method=method)


def test_swapped_liqueur_that_changes_sweetness_is_told_with_the_syrup_that_holds_it():
    parent = drink(("white-rum", 45), ("orange-liqueur-sweet", 22.5), ("lime-juice", 22.5), ("simple-syrup-1-1", 5), family="daisy")
    drier = drink(("white-rum", 45), ("orange-liqueur-dry", 22.5), ("lime-juice", 22.5), ("simple-syrup-1-1", 5), family="daisy")
    (found,) = compare(drier, parent).findings
    assert (found.code, found.severity) == ("swap-changes-sweetness", "warning")
    assert "drier" in found.message
    # Common practice: a dry orange liqueur for a sweet one wants 2.5 to 5 ml of syrup back.
    assert found.mends[0].words == "2.5 ml more of simple syrup 1:1"
    sweeter = compare(parent, drier).findings[0]
    assert "sweeter" in sweeter.message
    assert sweeter.mends[0].words == "2.5 ml less of simple syrup 1:1"
    assert compare(parent, parent).findings == ()
    like = replace(
        drier,
        pours=tuple(
            replace(p, ingredient=replace(catalogue()["orange-liqueur-sweet"], slug="x")) if i == 1 else p
            for i, p in enumerate(parent.pours)
        ),
    )
    assert compare(like, parent).findings == ()


def test_trial_that_changes_the_method_too_is_told_and_can_be_made_as_the_parent_was():
    changed = by(drink(RUM, ("lime-juice", 30), SYRUP), Method(seconds=30))
    (found,) = compare(changed, SOUR).findings
    assert (found.code, found.severity) == ("method-changed-too", "info")
    assert compare(by(SOUR, Method(seconds=30)), SOUR).findings == ()
    mended = with_fix(spec_from_drink(changed), found.mends[0])
    assert mended.method.seconds is None
