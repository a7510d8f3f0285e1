"""Originals: what a bartender and a wish would hold them to (docs/model/originals.md)."""

import json
import os
import subprocess
import sys
from dataclasses import replace
from functools import cache
from random import Random

import numpy as np
import pytest
from support.depth import DEPTH
from support.drinks import drink

from oenomel.core.checks.clashes import CLASHES
from oenomel.core.families.family import families
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import Larder, aromas, catalogue
from oenomel.core.originals.aroma_pairings import KinshipTable
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.drink_names import known_names
from oenomel.core.originals.menu_search import menu_of
from oenomel.core.originals.scoring import BALANCE_COUNTS, balance_of, before_pouring, satisfies, score_upper_bound
from oenomel.core.originals.search import Selection, combinations_left, originals
from oenomel.core.originals.search_context import BookDrink, SearchContext
from oenomel.core.originals.similarity import Features, feature_distance, features_of
from oenomel.core.originals.space import SAMPLE, space_of
from oenomel.core.originals.usual_measures import asked_for_only
from oenomel.core.spec.drink import FAMILIES
from oenomel.core.wording import capital
from oenomel.errors import DomainError, OutOfRange, UnknownIngredient
from oenomel.schemas.reports.originals_reports import original_report
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec, spec_as_poured

BOOK = [
    BookDrink("Plain sour", drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5)), 1),
    BookDrink("Honeyed sour", drink(("london-dry-gin", 60), ("lemon-juice", 22.5), ("honey-syrup", 22.5)), 2),
    BookDrink("Orange daisy", drink(("cognac", 45), ("orange-liqueur-sweet", 30), ("lemon-juice", 15), family="daisy"), 3),
]
SPIRITS = ["london-dry-gin", "corn-whiskey", "blanco-agave-spirit", "aged-rum", "cognac"]


@cache
def ground() -> SearchContext:
    return SearchContext(catalogue(), BOOK)


DRAWN = 8_000
"""A sample small enough for many tests; what is promised of the whole is tested with the whole."""


def of(wish: Criteria, on: SearchContext | None = None, at_least: int = DRAWN) -> Selection:
    *_, last = originals(on or ground(), wish, (), at_least)
    return last


def small() -> SearchContext:
    """A larder of about 5·10⁴ combinations."""
    slugs = (
        "london-dry-gin", "white-rum", "aged-rum", "cognac", "corn-whiskey", "rye-whiskey", "blanco-agave-spirit",
        "apple-brandy", "lime-juice", "lemon-juice", "grapefruit-juice", "pineapple-juice", "simple-syrup-1-1", "honey-syrup",
        "ginger-syrup", "grenadine", "almond-syrup", "cinnamon-syrup", "orange-bitters", "aromatic-bitters", "mint", "basil",
        "raspberries", "elderflower-liqueur", "orange-liqueur-sweet", "dry-vermouth", "egg-white", "aquafaba",
        "yellow-herbal-liqueur", "thyme-syrup", "raspberry-syrup", "lavender-syrup", "peach-bitters", "vodka", "calvados",
        "agave-syrup", "maple-syrup", "vanilla-syrup", "cardamom-bitters", "sage", "kirsch", "rosemary-syrup", "apple-syrup",
        "pear-syrup", "dark-rum", "jamaican-rum", "grape-spirit", "irish-whiskey", "cherry-bitters", "creole-bitters",
    )  # fmt: skip
    return SearchContext({slug: catalogue()[slug] for slug in slugs}, BOOK)


def random_wish(draw: Random, seed: int) -> Criteria:
    """A wish as somebody might press it together."""
    family = draw.choice(["sour", "daisy", "fizz"])
    without = tuple(word for word in ("egg", "milk", "tree nuts", "gluten", "sulphites", "alcohol") if draw.random() < 0.15)
    free = "alcohol" in without
    band = None if free or draw.random() < 0.6 else ((9.0, 13.0) if family == "fizz" else (12.0, 18.0))
    must = () if free or draw.random() < 0.7 else (draw.choice(SPIRITS),)
    aroma = (draw.choice(["citrus", "floral", "spice", "berry", "herbal"]),) if draw.random() < 0.3 else ()
    sweetness = draw.choice(["", "", "dry", "sweet"])
    return Criteria(family, must=must, without=without, abv=band, aroma=aroma, sweetness=sweetness, count=20, seed=seed)


def test_a_thousand_originals_stand_at_home_keep_their_wish_and_repeat_nothing():
    draw, many, seeds = Random(19), 0, 50 if DEPTH == "deep" else 6
    groups = {tag: each.group for tag, each in aromas().items()}
    for seed in range(seeds):
        wish = random_wish(draw, seed)
        found = of(wish, at_least=SAMPLE)
        assert len(found.originals) == wish.count, wish
        counted: dict[str, int] = {}
        seen = set()
        for each in found.originals:
            # As somebody else would read it: through the file, by predict.
            spec = parse_spec(spec_as_poured(each.drink).model_dump_json())
            made = drink_from_spec(spec, catalogue())
            forecast = forecast_of(made)
            assert forecast.position is not None
            assert forecast.position.distance_steps <= 1, each.drink
            assert abs(forecast.position.distance_steps - each.distance_steps) < 1e-9
            assert not [finding for finding in forecast.findings if finding.severity == "error"]
            poured = [pour for pour in made.pours if pour.stage not in ("rim", "garnish")]
            slugs = {pour.ingredient.slug for pour in poured}
            assert len(slugs) == len(poured)
            seen.add(frozenset(slugs))
            assert set(wish.must) <= slugs
            for word in wish.without:
                assert not [p for p in made.pours if word in (p.ingredient.slug, p.ingredient.kind, *p.ingredient.allergens)]
            if "alcohol" in wish.without:
                assert forecast.served.abv < 0.5
            if wish.abv:
                assert wish.abv[0] <= forecast.served.abv <= wish.abv[1]
            for word in wish.aroma:
                assert [p for p in poured if any(groups[tag] == word for tag in p.ingredient.aroma)]
            for pour in poured:
                assert pour.unit != "ml" or abs(pour.volume_ml / 2.5 - round(pour.volume_ml / 2.5)) < 1e-9 or pour.stage == "rinse", pour
                loud = pour.ingredient.label("loud_above_ml")
                assert loud is None or pour.liquid_ml <= loud or pour.slot == "base"
                assert pour.ingredient.slug not in asked_for_only() or pour.ingredient.slug in wish.must
                if pour.slot != "sour" and pour.ingredient.slug not in wish.must:
                    counted[pour.ingredient.slug] = counted.get(pour.ingredient.slug, 0) + 1
        assert len(seen) == len(found.originals) == len({each.drink.name.lower() for each in found.originals})
        assert not {each.drink.name.lower() for each in found.originals} & known_names()
        # Without alcohol few play the base: they come as often as they have to.
        often = {slug for slug, times in counted.items() if times > wish.count / 5}
        assert not often or "alcohol" in wish.without, often
        many += len(found.originals)
    assert many == 20 * seeds


ASKED = "from oenomel.cli import main; main(['originals', '--family', 'daisy', '--count', '6', '--seed', '41', '--aroma', 'floral'])"


def test_the_same_seed_gives_the_same_bytes_in_another_process(tmp_path):
    told = []
    for hashing in ("1", "2"):
        env = {**os.environ, "PYTHONHASHSEED": hashing, "XDG_DATA_HOME": str(tmp_path), "HOME": str(tmp_path)}
        told.append(subprocess.run([sys.executable, "-c", ASKED], env=env, capture_output=True, check=True).stdout)
    assert told[0] == told[1]
    assert len(json.loads(told[0])) == 6


def test_the_best_twenty_of_a_small_space_are_those_of_pouring_it_wholly():
    on, wish = small(), Criteria("daisy", count=20)
    sifted = on.sift(wish)
    assert 3e4 < sifted.space.size <= 6e4
    assert len(sifted.drawn) <= sifted.looked_at == len(space_of(wish, on.larder).drawn(1))
    eligible, gladly = before_pouring(on, wish, sifted)
    everything = np.flatnonzero(eligible)
    whole = on.pourings(replace(wish, sweetness=""), sifted)
    whole.pour(everything)
    kept = satisfies(on, wish, sifted, whole.at, everything)
    score = (score_upper_bound(sifted, gladly) - BALANCE_COUNTS * (1 - balance_of(whole.at.cost)))[everything].round(9)
    best = sorted(score[kept])[::-1][:20]
    # The search on a ground that poured nothing yet: what it picks first, and what a score alone would pick.
    fresh = small()
    list(originals(fresh, wish))
    poured = fresh.pourings(wish, fresh.sift(wish))
    reached = np.flatnonzero(poured.done)
    assert len(reached) < len(everything)
    again = (score_upper_bound(fresh.sift(wish), gladly) - BALANCE_COUNTS * (1 - balance_of(poured.at.cost)))[reached].round(9)
    found = sorted(again[satisfies(fresh, wish, fresh.sift(wish), poured.at, reached)])[::-1][:20]
    assert sum(one == other for one, other in zip(best, found, strict=True)) >= 19


def neighbours(marks: Features) -> tuple[float, float]:
    """Median distance of all pairs, and the least of them."""
    distance = feature_distance(marks, marks)[np.triu_indices(len(marks.held), 1)]
    return float(np.median(distance)), float(distance.min())


@pytest.mark.parametrize(("family", "on"), [("sour", ground), ("daisy", ground), ("fizz", ground), ("sour", small), ("daisy", small)])
def test_a_handful_is_more_diverse_than_the_best_by_score(family, on):
    # The best by score of a sparse sample lie 0.8 apart already, of 1 at the most: what can be had is that no two of a handful are twins.
    here, wish = on(), Criteria(family, count=20, seed=3)
    found = neighbours(features_of([each.drink for each in of(wish, here).originals], here.ingredients))
    sifted = here.sift(wish, DRAWN)
    poured = here.pourings(wish, sifted)
    rows = np.flatnonzero(poured.done)
    rows = rows[satisfies(here, wish, sifted, poured.at, rows)]
    _, gladly = before_pouring(here, wish, sifted)
    score = score_upper_bound(sifted, gladly)[rows] - BALANCE_COUNTS * (1 - balance_of(poured.at.cost[rows]))
    best = neighbours(here.marks(sifted.drawn[rows[np.argsort(-score, kind="stable")[:20]]]))
    assert found[0] > best[0]
    assert found[1] > 1.15 * best[1]


def test_the_nearest_drink_of_the_book_is_told_right():
    for family in ("sour", "daisy", "fizz"):
        for each in of(Criteria(family, count=20, seed=3)).originals:
            poured_only = replace(each.drink, pours=tuple(pour for pour in each.drink.pours if pour.stage != "rim"))
            distance = feature_distance(features_of([poured_only], ground().ingredients), ground().in_book)[0]
            assert each.nearest is not None
            assert BOOK[int(distance.argmin())].name == each.nearest.name
            assert each.novelty == pytest.approx(distance.min(), abs=1e-6)


def test_nobody_is_told_that_it_will_taste_good_and_every_reason_is_a_whole_sentence(golden):
    for family in ("sour", "daisy", "fizz"):
        for each in of(Criteria(family, count=20, seed=9)).originals:
            for reason in each.reasons:
                assert reason[0].isupper()
                assert reason.endswith(".")
                assert "  " not in reason
                assert not {"delicious", "tasty", "good", "perfect"} & set(reason.lower().replace(".", "").split())
            assert len(each.reasons) >= 3
            golden(each.reasons)
            assert each.differs
            assert each.nearest


def measure_of(pour) -> str:
    """An amount as a reason gives it, but for the words of counted pieces."""
    return f"{pour.liquid_ml if pour.amount is None else pour.amount:g}" if pour.unit in ("ml", "oz", "barspoon") else ""


def test_the_odd_one_is_named_with_its_measure():
    # A reason names the two that pair best, one may name the odd one, and the last two tell the balance.
    with_odd = [each for seed in range(2) for each in of(Criteria("sour", count=20, seed=seed)).originals if len(each.reasons) == 4]
    assert with_odd
    for each in with_odd:
        odd = [pour for pour in each.drink.pours if capital(pour.ingredient.in_sentence) in each.reasons[1]]
        assert any(measure_of(pour) in each.reasons[1] for pour in odd), each.reasons


@pytest.mark.parametrize("grid", [0.7, 1.0, 5.0, 7.3, 13.0])
def test_whatever_marks_the_jigger_has_what_is_poured_lies_on_them(grid):
    for family in ("sour", "daisy", "fizz"):
        for each in of(Criteria(family, count=6, seed=2, grid_ml=grid)).originals:
            measured = [p for p in each.drink.pours if p.unit == "ml" and p.slot != "accent" and p.ingredient.slug != "aquafaba"]
            assert all(abs(p.volume_ml / grid - round(p.volume_ml / grid)) < 1e-9 for p in measured), each.drink.pours
            assert each.distance_steps <= 1


def test_what_clashes_never_comes_unasked_and_what_is_asked_for_by_name_does():
    names = {clash.code for clash in CLASHES}
    for seed in range(3):
        for each in of(Criteria("fizz", count=20, seed=seed)).originals:
            assert not names & {finding.code for finding in each.forecast.findings}
    both = of(Criteria("sour", must=("cold-brew", "lime-juice"), count=2)).originals
    assert both
    assert all({"cold-brew", "lime-juice"} <= {p.ingredient.slug for p in each.drink.pours} for each in both)


def test_what_is_at_hand_is_all_that_is_used_and_three_bottles_make_what_they_can(golden):
    pool = frozenset({"london-dry-gin", "lemon-juice", "simple-syrup-1-1"})
    (only,) = of(Criteria("sour", pool=pool)).originals
    assert {pour.ingredient.slug for pour in only.drink.pours} == pool
    with golden.raises(DomainError):
        of(Criteria("sour", pool=frozenset()))


REFUSED = {
    "strength turned round": lambda: Criteria("sour", abv=(18, 12)),
    "no alcohol and strong": lambda: Criteria("sour", without=("alcohol",), abv=(12, 18)),
    "asked for and left out": lambda: Criteria("sour", must=("mint",), without=("mint",)),
    "a family without a home": lambda: Criteria("open"),
    "a form of another family": lambda: Criteria("sour", form="long"),
    "an unknown smell": lambda: Criteria("sour", aroma=("delicious",)),
    "an unknown colour": lambda: Criteria("sour", colour="plaid"),
    "an unknown season": lambda: Criteria("sour", season="monsoon"),
    "fewer than nothing": lambda: Criteria("sour", ingredients=(6, 3)),
    "must, with no part in it": lambda: of(Criteria("sour", must=("soda-water",))),
    "must, and not at hand": lambda: of(Criteria("sour", must=("mint",), pool=frozenset({"vodka"}))),
    "must, and of a kind left out": lambda: of(Criteria("sour", must=("vodka",), without=("spirit",))),
    "a slot emptied by two": lambda: of(Criteria("sour", without=("spirit", "juice"))),
    "a strength that no sour has": lambda: of(Criteria("sour", abv=(30, 40))),
}  # fmt: skip


@pytest.mark.parametrize("what", REFUSED)
def test_a_wish_that_cannot_be_is_refused_with_a_sentence(what, golden):
    with golden.raises(DomainError):
        REFUSED[what]()


def test_an_unknown_bottle_or_a_seed_out_of_range_is_refused(golden):
    with pytest.raises(UnknownIngredient, match="limejuice"):
        of(Criteria("sour", must=("limejuice",)))
    with pytest.raises(OutOfRange, match="seed"):
        Criteria("sour", seed=-1)
    with golden.raises(OutOfRange):
        Criteria("sour", count=0)
    with golden.raises(OutOfRange):
        Criteria("sour", grid_ml=60)


def test_each_wish_leaves_fewer_and_the_count_of_a_small_space_is_exact():
    wide = combinations_left(ground(), Criteria("daisy"))
    tight = combinations_left(ground(), Criteria("daisy", without=("egg", "sulphites"), must=("cognac",)))
    assert 0 < tight.balanced <= tight.combinations < wide.combinations
    few = Criteria("sour", pool=frozenset({"london-dry-gin", "white-rum", "lemon-juice", "lime-juice", "honey-syrup", "simple-syrup-1-1"}))
    # Two bases, two sours, two sweeteners of which honey may join sugar, and nothing else to join.
    assert combinations_left(ground(), few).combinations == 2 * 2 * 2 + 2 * 2 * 2 * 1
    assert combinations_left(ground(), replace(few, must=("soda-water",))).combinations == 0


def test_sweet_dry_and_a_palate_move_what_is_aimed_at_and_the_drinks_stay_at_home():
    def middle(**told: object) -> float:
        return float(np.mean([each.forecast.served.sugar for each in of(Criteria("sour", count=12, **told)).originals]))

    assert middle(sweetness="dry") < middle() < middle(sweetness="sweet")
    assert middle(off=(1.0, 0.0, 0.0)) > middle()
    assert all(each.distance_steps <= 1 for each in of(Criteria("sour", off=(4.0, -4.0, 4.0))).originals)


def test_wishes_of_taste_are_kept_or_lean_the_handful():
    pink = of(Criteria("sour", colour="red", count=5)).originals
    assert pink
    assert all(original_report(each).colour for each in pink)
    gladly = of(Criteria("sour", may=("basil", "thyme-syrup"), count=10)).originals
    assert sum(any(p.ingredient.slug in ("basil", "thyme-syrup") for p in each.drink.pours) for each in gladly) >= 5
    none = of(Criteria("sour", less=("lime-juice",), count=10)).originals
    usual = of(Criteria("sour", count=10)).originals
    limes = [sum(any(p.ingredient.slug == "lime-juice" for p in each.drink.pours) for each in some) for some in (none, usual)]
    assert limes[0] <= limes[1]
    near, far = (of(Criteria("sour", from_book=side, count=8)).originals for side in ("near", "far"))
    assert max(each.novelty for each in near) < min(each.novelty for each in far)


def test_others_like_one_resemble_it_and_varying_a_part_keeps_the_rest():
    first = of(Criteria("daisy", count=6)).originals[0]
    slugs = tuple(first.parts.values())
    alike = of(Criteria("daisy", like=slugs, count=6)).originals
    shared = [len(set(slugs) & set(each.parts.values())) for each in alike]
    assert sorted(shared)[len(shared) // 2] >= 2
    rest = tuple(slug for part, slug in first.parts.items() if part != "liqueur")
    varied = of(Criteria("daisy", must=rest, without=(first.parts["liqueur"],), shape=tuple(first.parts), count=6)).originals
    assert len(varied) >= 3
    assert all(set(each.parts) == set(first.parts) and set(rest) <= set(each.parts.values()) for each in varied)
    assert len({each.parts["liqueur"] for each in varied}) == len(varied)


@pytest.mark.parametrize(
    ("family", "form"), [(family, form.name) for family in FAMILIES if family != "open" for form in families()[family].forms]
)
def test_every_form_can_be_wished_for(family, form):
    found = of(Criteria(family, form=form, count=4)).originals
    assert found
    assert all(each.drink.form == form and each.drink.serve.glass for each in found)
    assert all((each.forecast.served.abv < 0.5) == (form == "without alcohol") for each in found)


def test_a_table_of_the_houses_own_changes_what_comes_first():
    at_odds = KinshipTable({frozenset({"citrus", other}): 0.0 for other in ("herbal", "green", "spice", "berry")})
    usual, turned = of(Criteria("sour", count=10)), of(Criteria("sour", count=10), SearchContext(catalogue(), BOOK, at_odds))
    assert [each.drink.name for each in usual.originals] != [each.drink.name for each in turned.originals]


def test_a_list_is_diverse_what_stays_stays_and_a_place_that_cannot_be_filled_is_named(golden):
    places = [
        Criteria("sour"),
        Criteria("sour", form="with foam"),
        Criteria("daisy"),
        Criteria("fizz"),
        Criteria("fizz", form="long"),
        Criteria("fizz", without=("alcohol",)),
    ]
    made = menu_of(ground(), places)
    assert [each.drink.family for each in made.drinks] == [wish.family for wish in places]
    strong = [max((p for p in each.drink.pours if p.slot == "base"), key=lambda p: p.liquid_ml).ingredient.slug for each in made.drinks[:5]]
    assert len(set(strong)) == 5
    golden(made.notes)
    kept = {place: each.drink for place, each in enumerate(made.drinks) if place != 2}
    (other,) = menu_of(ground(), places, kept, [made.drinks[2].drink.name]).drinks
    assert other.drink.family == "daisy"
    assert other.drink.name != made.drinks[2].drink.name
    with golden.raises(DomainError):
        menu_of(ground(), [Criteria("sour"), Criteria("daisy", abv=(35, 40))])
    with golden.raises(DomainError):
        menu_of(ground(), [])


def test_a_house_bottle_takes_its_part_like_any_other():
    own = replace(
        catalogue()["quince-liqueur"] if "quince-liqueur" in catalogue() else catalogue()["pear-liqueur"],
        slug="house-quince",
        name="House quince",
    )
    larder = Larder({**catalogue(), "house-quince": replace(own, origin="house")})
    found = of(Criteria("daisy", must=("house-quince",), count=3), SearchContext(larder, BOOK)).originals
    assert len(found) == 3
    assert all(any(p.ingredient.slug == "house-quince" for p in each.drink.pours) for each in found)
