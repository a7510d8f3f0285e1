"""What the trade pours and what it would refuse: common practice, from memory. The drinks stand without their names.

Each of the first table has been on lists everywhere for decades, so no rule of sense may refuse it; of the second a bartender would ask
whether somebody is joking.
"""

import pytest

from oenomel.core.checks.clashes import clashes_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.parts import PARTS, unasked
from oenomel.core.originals.usual_measures import may_split

POURED_EVERYWHERE = [
    "white-rum lime-juice simple-syrup-1-1",
    "corn-whiskey lemon-juice simple-syrup-1-1 egg-white",
    "grape-spirit lime-juice simple-syrup-1-1 egg-white aromatic-bitters",
    "london-dry-gin lemon-juice raspberry-syrup egg-white",
    "london-dry-gin lemon-juice honey-syrup",
    "corn-whiskey lemon-juice honey-syrup",
    "london-dry-gin lime-juice simple-syrup-1-1 mint",
    "london-dry-gin lemon-juice simple-syrup-1-1 basil",
    "white-rum lime-juice simple-syrup-1-1 mint soda-water",
    "blended-malt-whisky lemon-juice honey-syrup ginger-syrup peated-malt-whisky",
    "apple-brandy lemon-juice grenadine",
    "cachaca lime-wedge caster-sugar",
    "london-dry-gin lemon-juice cherry-stone-liqueur violet-liqueur",
    "london-dry-gin lime-juice cherry-stone-liqueur herbal-liqueur",
    "cognac orange-liqueur-sweet lemon-juice",
    "blanco-agave-spirit orange-liqueur-sweet lime-juice salt",
    "blanco-agave-spirit agave-syrup lime-juice",
    "smoked-agave-spirit orange-bitter-aperitif yellow-herbal-liqueur lime-juice",
    "corn-whiskey orange-bitter-aperitif light-amaro lemon-juice",
    "london-dry-gin orange-liqueur-sweet lemon-juice egg-white",
    "london-dry-gin cinchona-aperitif-wine orange-liqueur-sweet lemon-juice anise-wormwood-spirit",
    "almond-liqueur corn-whiskey lemon-juice egg-white",
    "vodka orange-liqueur-sweet lime-juice cranberry-drink",
    "white-rum lime-juice grapefruit-juice cherry-stone-liqueur",
    "dark-rum lime-juice pineapple-juice red-bitter-aperitif simple-syrup-1-1",
    "jamaican-rum aged-rum lime-juice orange-liqueur-dry almond-syrup",
    "white-rum pineapple-juice coconut-cream-sweetened lime-juice",
    "london-dry-gin lemon-juice simple-syrup-1-1 soda-water",
    "london-dry-gin lemon-juice simple-syrup-1-1 egg-white soda-water",
    "london-dry-gin lemon-juice lime-juice simple-syrup-1-1 egg-white heavy-cream orange-flower-water soda-water",
    "london-dry-gin lemon-juice simple-syrup-1-1 sparkling-brut",
    "aged-rum lime-juice simple-syrup-1-1 mint aromatic-bitters sparkling-brut",
    "vodka lime-juice ginger-beer",
    "dark-rum lime-juice ginger-beer",
    "blanco-agave-spirit lime-juice grapefruit-soda salt",
    "sloe-liqueur lemon-juice simple-syrup-1-1 soda-water",
    "blackcurrant-creme blanco-agave-spirit lime-juice ginger-beer",
    "london-dry-gin lemon-juice simple-syrup-1-1 blackberry-liqueur",
    "rye-whiskey lemon-juice orange-juice grenadine",
    "rye-whiskey lemon-juice simple-syrup-1-1 red-wine-dry",
    "overproof-rum lime-juice grapefruit-juice cinnamon-syrup falernum-syrup aromatic-bitters anise-wormwood-spirit",
    "grape-spirit pineapple-syrup lemon-juice",
    "cognac almond-syrup aromatic-bitters lemon-juice",
    "london-dry-gin lime-cordial",
    "juniper-water lemon-juice elderflower-cordial soda-water",
    "lime-juice grapefruit-juice simple-syrup-1-1 soda-water",
    "lemon-juice raspberry-syrup mint soda-water",
    "corn-whiskey lemon-juice peach-puree mint simple-syrup-1-1",
    "peach-puree prosecco",
    "vodka cranberry-drink grapefruit-juice",
    "cognac cocoa-creme heavy-cream",
    "coffee-liqueur vodka cold-brew simple-syrup-1-1",
    "london-dry-gin cucumber lime-juice simple-syrup-1-1",
    "navy-strength-gin lime-cordial",
    "apricot-liqueur london-dry-gin lemon-juice",
    "london-dry-gin orange-juice lemon-juice grenadine",
]

REFUSED_ON_SIGHT = [
    ("whole-milk lemon-juice vodka", "curdles"),
    ("irish-cream lime-juice vodka", "curdles"),
    ("half-and-half grapefruit-juice white-rum", "curdles"),
    ("heavy-cream coconut-cream white-rum", "two-creams"),
    ("heavy-cream sweet-vermouth corn-whiskey", "cream-and-wood"),
    ("cold-brew lime-juice london-dry-gin", "hard-pair"),
    ("coffee-liqueur lemon-juice vodka", "hard-pair"),
    ("cocoa-creme lime-juice white-rum", "hard-pair"),
    ("stout lemon-juice london-dry-gin", "hard-pair"),
    ("celery-juice raspberry-syrup london-dry-gin", "hard-pair"),
    ("mint-creme smoked-agave-spirit lime-juice", "hard-pair"),
    ("mint-creme banana-liqueur white-rum", "hard-pair"),
    ("pastis coffee-liqueur vodka", "hard-pair"),
    ("rose-syrup peated-malt-whisky lemon-juice", "hard-pair"),
    ("violet-liqueur cocoa-creme-dark vodka", "hard-pair"),
    ("egg-white cola white-rum lime-juice", "foam-and-soda"),
    ("egg-white tonic-water london-dry-gin lemon-juice", "foam-and-soda"),
    ("egg-white wheat-beer london-dry-gin lemon-juice", "foam-and-soda"),
    ("egg-white mint london-dry-gin lime-juice", "foam-and-soda"),
    ("aromatic-bitters orange-bitters fernet rye-whiskey lemon-juice", "many-bitters"),
    ("fernet pastis rye-whiskey lemon-juice", "two-loud"),
    ("allspice-dram chili-syrup aged-rum lime-juice", "two-loud"),
    ("rose-water elderflower-liqueur london-dry-gin lemon-juice", "two-perfumes"),
    ("violet-syrup orange-flower-water vodka lemon-juice", "two-perfumes"),
    ("egg-white aquafaba london-dry-gin lemon-juice", "two-foams"),
]


def clashing(drink: str) -> dict[str, str]:
    return {clash.code: clash.why for clash, _ in clashes_of(catalogue()[slug] for slug in drink.split())}


# One that breaks a rule and is poured all the same: its maker knows why, and the search needn't.
KNOWN_EXCEPTIONS = {"london-dry-gin lemon-juice cherry-stone-liqueur violet-liqueur": {"two-loud"}}


@pytest.mark.parametrize("drink", POURED_EVERYWHERE)
def test_what_is_poured_everywhere_is_never_refused(drink):
    assert set(clashing(drink)) <= KNOWN_EXCEPTIONS.get(drink, set())


@pytest.mark.parametrize(("drink", "code"), REFUSED_ON_SIGHT)
def test_what_a_bartender_refuses_on_sight_is_told_with_its_reason(drink, code):
    assert code in clashing(drink)
    assert clashing(drink)[code]


SPLITS = [
    ("rye-whiskey", "cognac", True),
    ("aged-rum", "cognac", True),
    ("corn-whiskey", "rye-whiskey", True),
    ("white-rum", "jamaican-rum", True),
    ("blanco-agave-spirit", "smoked-agave-spirit", True),
    ("smoked-agave-spirit", "aged-rum", True),
    ("apple-brandy", "rye-whiskey", True),
    ("london-dry-gin", "pear-spirit", True),
    ("london-dry-gin", "corn-whiskey", False),
    ("vodka", "white-rum", False),
    ("white-rum", "rye-whiskey", False),
    ("cachaca", "london-dry-gin", False),
    ("vodka", "vodka", False),
]


@pytest.mark.parametrize(("one", "other", "poured"), SPLITS)
def test_bases_are_split_as_the_trade_splits_them(one, other, poured):
    assert may_split(one, other) is poured
    assert may_split(other, one) is poured


# Who plays which part of a sour, daisy or fizz without being asked: common practice.
PLAYS = [
    ("sour", "base", "london-dry-gin white-rum rye-whiskey cognac blanco-agave-spirit pear-spirit", True),
    ("sour", "base", "high-proof-spirit pastis sweet-vermouth prosecco white-wine-dry sake orange-liqueur-sweet overproof-rum", False),
    ("sour", "sour", "lemon-juice lime-juice yuzu-juice verjus", True),
    ("sour", "sour", "orange-juice grapefruit-juice cider-vinegar citric-acid-solution lime-cordial yoghurt sour-mix", False),
    ("sour", "sour2", "grapefruit-juice orange-juice pineapple-juice passion-fruit-juice", True),
    ("sour", "sour2", "lime-juice lemon-juice coconut-water tomato-juice", False),
    ("sour", "sweet", "simple-syrup-1-1 simple-syrup-2-1 honey-syrup grenadine almond-syrup agave-syrup maple-syrup", True),
    ("sour", "sweet", "caster-sugar sugar-cube honey molasses orange-juice sweet-vermouth condensed-milk", False),
    ("daisy", "liqueur", "orange-liqueur-sweet elderflower-liqueur apricot-liqueur yellow-herbal-liqueur", True),
    ("daisy", "liqueur", "dry-vermouth fernet cherry-stone-liqueur irish-cream px-sherry grenadine", False),
    ("sour", "accent", "aromatic-bitters mint basil orange-flower-water peated-malt-whisky cucumber", True),
    ("sour", "accent", "soy-sauce worcestershire-sauce hot-sauce olive-brine lemon-wedge matcha espresso", False),
    ("sour", "texture", "egg-white egg-white-pasteurised aquafaba", True),
    ("sour", "texture", "whole-milk heavy-cream butter vanilla-ice-cream egg-yolk whole-egg gum-syrup", False),
    ("fizz", "lengthener", "soda-water prosecco ginger-beer tonic-water dry-cider", True),
    ("fizz", "lengthener", "still-water hot-water black-tea-cold red-wine-dry orange-juice stout root-beer cola", False),
]


@pytest.mark.parametrize(("family", "part", "slugs", "plays"), PLAYS)
def test_who_plays_which_part_unasked(family, part, slugs, plays):
    for slug in slugs.split():
        each = catalogue()[slug]
        assert (unasked(each) and PARTS[part].plays(each, Criteria(family))) is plays, slug


def test_without_alcohol_other_bottles_play():
    free = Criteria("sour", without=("alcohol",))
    assert PARTS["base"].plays(catalogue()["juniper-water"], free)
    assert not PARTS["base"].plays(catalogue()["london-dry-gin"], free)
    assert PARTS["liqueur"].plays(catalogue()["raspberry-syrup"], Criteria("daisy", without=("alcohol",)))
    assert not PARTS["liqueur"].plays(catalogue()["orange-liqueur-sweet"], Criteria("daisy", without=("alcohol",)))
