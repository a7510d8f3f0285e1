"""Homes against what the trade writes down: open standards lie inside, deliberately bad drinks outside."""

import pytest
from support.drinks import drink
from support.standards import STANDARDS

from oenomel.core.families.typical_range import OUTSIDE_HOME_STEPS
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.technique import Method

# Those that lie outside, and why; docs/model/families.md names them too. A home computed from schools can't hold what no school pours.
OUTSIDE = {
    "60 white-rum, 22.5 lime-juice, 15 grapefruit-juice, 7.5 cherry-stone-liqueur": "hardly any sugar: sold as a dry drink",
    "22.5 london-dry-gin, 22.5 herbal-liqueur, 22.5 cherry-stone-liqueur, 22.5 lime-juice": "two liqueurs of four parts",
    "45 london-dry-gin, 30 lemon-juice, 10 simple-syrup-1-1, 80 soda-water topped": "a third of the sweetness of its acid",
    "45 london-dry-gin, 15 lime-juice, 15 lemon-juice, 30 simple-syrup-1-1, 60 heavy-cream, 30 egg-white, 30 soda-water topped": (
        "two ounces of cream thin strength away"
    ),
    "45 sloe-liqueur, 22.5 lemon-juice, 15 simple-syrup-1-1, 90 soda-water topped": "a liqueur for a base",
}


def poured(family: str, foam: bool, text: str) -> Drink:
    pours = []
    for part in text.split(", "):
        ml, slug, *stage = part.split()
        pours.append((slug, float(ml), *stage))
    return drink(*pours, family=family, method=Method(dry_shake_seconds=10 if foam else 0))


def test_open_standards_of_the_trade_lie_within_a_step_and_a_half_of_home():
    outside = {
        text for family, foam, text in STANDARDS if forecast_of(poured(family, foam, text)).position.distance_steps > OUTSIDE_HOME_STEPS
    }
    assert outside == OUTSIDE.keys()
    assert len(STANDARDS) >= 40
    assert 1 - len(outside) / len(STANDARDS) >= 0.85


# Bad on purpose, as anybody at a bar would say (common practice); the slips are those of an ounce for a millilitre and the like.
BAD = {
    "no acid": ("sour", "60 white-rum, 22.5 simple-syrup-1-1"),
    "no sugar": ("sour", "60 white-rum, 22.5 lime-juice"),
    "candy": ("sour", "60 white-rum, 22.5 lime-juice, 90 simple-syrup-1-1"),
    "honey by the cup": ("sour", "60 white-rum, 22.5 lemon-juice, 60 honey"),
    "hot": ("sour", "200 white-rum, 22.5 lime-juice, 22.5 simple-syrup-1-1"),
    "overproof hot": ("sour", "90 overproof-rum, 15 lime-juice, 15 simple-syrup-1-1"),
    "weak": ("sour", "60 white-rum, 22.5 lime-juice, 22.5 simple-syrup-1-1, 300 still-water"),
    "a splash of spirit": ("sour", "10 white-rum, 30 lime-juice, 30 simple-syrup-1-1"),
    "sharp": ("sour", "60 white-rum, 90 lime-juice, 22.5 simple-syrup-1-1"),
    "vinegar for lemon": ("sour", "60 white-rum, 60 white-wine-vinegar, 5 simple-syrup-1-1"),
    "grapefruit for lime": ("sour", "60 white-rum, 22.5 grapefruit-juice, 22.5 simple-syrup-1-1"),
    "an ounce of acid for a spoon": ("sour", "60 white-rum, 150 lemon-juice, 22.5 simple-syrup-1-1"),
    "ounces for millilitres": ("sour", "60 white-rum, 22.5 lime-juice, 675 simple-syrup-1-1"),
    "millilitres for ounces": ("sour", "60 white-rum, 0.75 lime-juice, 22.5 simple-syrup-1-1"),
    "flooded with liqueur": ("daisy", "45 white-rum, 90 blackcurrant-creme, 15 lemon-juice"),
    "all liqueur": ("daisy", "60 orange-liqueur-sweet, 60 apricot-liqueur"),
    "a daisy without its sour": ("daisy", "45 white-rum, 30 orange-liqueur-sweet"),
    "a daisy of juice": ("daisy", "15 white-rum, 10 orange-liqueur-sweet, 120 lemon-juice"),
    "drowned in soda": ("fizz", "60 white-rum, 22.5 lime-juice, 22.5 simple-syrup-1-1, 600 soda-water topped"),
    "spirit and soda": ("fizz", "60 white-rum, 90 soda-water topped"),
    "a lemonade with bubbles": ("fizz", "60 lemon-juice, 60 simple-syrup-1-1, 90 soda-water topped"),
}


@pytest.mark.parametrize("name", BAD)
def test_deliberately_bad_drinks_lie_outside(name):
    family, text = BAD[name]
    forecast = forecast_of(poured(family, False, text))
    assert forecast.position.words == "not typical"
    assert "outside-home" in {finding.code for finding in forecast.findings}
