"""The board: who is offered, who is left out and why, and what each offer says."""

import itertools
import math
from collections.abc import Iterator
from dataclasses import replace

import pytest
from support.drinks import drink, eight_three_three

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.aroma import aromas_between, kinship, likeness
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.composition import Composition
from oenomel.core.rebalance.solver import rebalance
from oenomel.core.rebalance.target import Objective, Target
from oenomel.core.spec.drink import Drink
from oenomel.core.spec.jigger import ladder
from oenomel.core.swaps.board import Board, SwapRow, swap_board
from oenomel.core.swaps.candidates import Filters
from oenomel.errors import OutOfRange

FIZZ = drink(("london-dry-gin", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 22.5), ("soda-water", 75, "topped"), family="fizz")
DAISY = drink(("london-dry-gin", 45), ("orange-liqueur-sweet", 22.5), ("lemon-juice", 22.5), ("simple-syrup-1-1", 5), family="daisy")


def aim_at(wished: Drink) -> Objective:
    served = forecast_of(wished).served
    return Objective(Target(served.sugar, served.acid, served.abv, served.volume_ml))


def parts(start: Drink, index: int, **asked: object) -> list[Board]:
    larder = asked.pop("larder", catalogue())
    made: Iterator[Board] = swap_board(start, index, larder, aim_at(start), **asked)  # type: ignore[arg-type]
    return list(made)


def rows(start: Drink, index: int, **asked: object) -> dict[str, SwapRow]:
    return {row.candidate.key: row for part in parts(start, index, **asked) for row in part.rows}


def test_every_ingredient_is_offered_or_left_out_with_a_reason():
    whole = parts(DAISY, 1)
    offered = {row.candidate.ingredient.slug for part in whole for row in part.rows}
    left_out = {each.ingredient.slug for each in whole[0].left_out}
    assert offered | left_out == set(catalogue()) - {"orange-liqueur-sweet"}
    assert not offered & left_out
    assert all(each.reason.endswith(".") for each in whole[0].left_out)
    assert whole[-1].searched == whole[-1].total == sum(len(part.rows) for part in whole)


REASONS = (
    (2, "vodka", True),
    (0, "lime-juice", True),
    (3, "lime-juice", True),
    (1, "white-rum", True),
    (2, "sparkling-brut", True),
    (2, "egg-white", True),
    (0, "navy-strength-gin", False),
)


@pytest.mark.parametrize(("index", "slug", "is_left_out"), REASONS)
def test_what_cannot_do_the_job_is_left_out_with_its_reason(index: int, slug: str, is_left_out: bool, golden):
    told = {each.ingredient.slug: each.reason for each in parts(DAISY, index)[0].left_out}
    assert (slug in told) is is_left_out
    golden(told.get(slug, ""))


def test_a_vegan_drink_gets_no_egg_and_no_honey():
    sour = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("egg-white", 30))
    foam = rows(sour, 3, filters=Filters(vegan=True))
    assert "aquafaba" in foam
    assert not any(r.candidate.ingredient.kind in ("egg", "dairy", "honey") for r in foam.values())
    assert foam["aquafaba"].plain.words == ()


def test_rows_say_where_the_drink_goes_and_what_brings_it_back(golden):
    dry = rows(DAISY, 1)["orange-liqueur-dry"]
    assert dry.plain.words == ("drier",)
    assert dry.plain.steps["sugar"] < -1
    assert dry.mended is not None
    assert dry.mended.words == ()
    assert dry.mended.cost < dry.plain.cost
    assert dry.proved
    assert dry.moves
    golden(dry.unseen[0])
    assert dry.mended.drink.pours[1].ingredient.slug == "orange-liqueur-dry"
    again = rebalance(dry.plain.drink, aim_at(DAISY))
    assert again.costs.total == pytest.approx(dry.mended.cost, abs=1e-9)


def test_no_swap_is_ever_told_as_no_change():
    for row in rows(DAISY, 0).values():
        assert row.unseen
        assert all(row.unseen)


def test_a_locked_pour_stays_in_every_row():
    for row in rows(DAISY, 1, free=[1, 3]).values():
        assert row.mended is not None
        kept = {pour.ingredient.slug: pour.volume_ml for pour in row.mended.drink.pours}
        assert (kept["london-dry-gin"], kept["lemon-juice"]) == (45, 22.5)


def test_a_base_can_be_split_and_each_part_can_be_poured():
    board_of = rows(drink(("corn-whiskey", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5)), 0)
    for share in (0.5, 0.25):
        row = board_of[f"smoked-agave-spirit@{share:g}"]
        old, new = row.plain.drink.pours[:2]
        assert (old.ingredient.slug, old.volume_ml) == ("corn-whiskey", 60 * (1 - share))
        assert (new.ingredient.slug, new.volume_ml) == ("smoked-agave-spirit", 60 * share)
        assert row.mended is not None
        for pour in row.mended.drink.pours[:2]:
            assert pour.volume_ml / 2.5 == pytest.approx(round(pour.volume_ml / 2.5))
    strong = board_of["overproof-rum@0.5"]
    together = forecast_of(strong.plain.drink).served
    assert strong.plain.figures["abv"] == pytest.approx(together.abv, abs=1e-9)


def test_a_helper_is_poured_beside_what_brings_less():
    start = drink(("london-dry-gin", 45), ("orange-liqueur-sweet", 30), ("lime-juice", 22.5), family="daisy")
    both = rows(start, 1)["orange-liqueur-dry+simple-syrup-1-1"]
    assert [(p.ingredient.slug, p.volume_ml) for p in both.plain.drink.pours][-1] == ("simple-syrup-1-1", 5)
    assert abs(both.plain.steps["sugar"]) < 0.5
    sharp = rows(start, 2)["grapefruit-juice+citric-acid-solution"]
    assert abs(sharp.plain.steps["acid"]) < abs(rows(start, 2)["grapefruit-juice"].plain.steps["acid"])


def test_holding_one_contribution_pours_what_keeps_it_or_says_that_it_cannot(golden):
    held = rows(DAISY, 3, mode="hold_sugar")
    assert held["simple-syrup-2-1"].mended is not None
    assert held["simple-syrup-2-1"].mended.drink.pours[3].volume_ml == 2.5
    sour = drink(("white-rum", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    golden(rows(sour, 1, mode="hold_acid")["verjus"].notes)
    golden(rows(sour, 0, mode="hold_abv")["cane-distillate-free"].notes)
    plain = rows(sour, 1, mode="pour")["lime-juice"]
    assert plain.mended is not None
    assert plain.moves == ()
    assert plain.mended.drink.pours[1].volume_ml == 22.5


def test_sugar_takes_the_place_of_syrup_by_weight_of_sugar():
    sour = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    sugar = rows(sour, 2)["caster-sugar"].plain.drink.pours[2]
    assert sugar.unit == "g"
    assert sugar.volume_ml / 0.62 == pytest.approx(22.5 * 0.6148, abs=0.5)


def test_the_first_part_has_the_likeliest_rows_and_many_come_in_parts():
    shipped = catalogue()["orange-liqueur-dry"]
    many = {
        f"bottle-{n}": replace(shipped, slug=f"bottle-{n}", composition=Composition(abv=20 + n % 20, sugars={"sucrose": 5.0 + n % 37}))
        for n in range(560)
    }
    told = parts(DAISY, 1, larder=many)
    assert [(len(part.rows), part.searched, part.total) for part in told] == [(20, 20, 560), (500, 520, 560), (40, 560, 560)]
    first = max(row.score("balance") for row in told[0].rows)
    rest = sorted(row.score("balance") for part in told[1:] for row in part.rows)
    assert first <= rest[len(rest) // 2]


def test_correctors_join_only_the_rows_that_are_asked_for():
    joining = [catalogue()[slug] for slug in ("lemon-juice", "still-water", "citric-acid-solution")]
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    alone = rows(start, 1)["grapefruit-juice"]
    helped = rows(start, 1, only=["grapefruit-juice"], correctors=joining)
    assert list(helped) == ["grapefruit-juice"]
    after = helped["grapefruit-juice"]
    assert after.mended is not None
    assert alone.mended is not None
    assert after.mended.cost < alone.mended.cost
    assert any(move.joined for move in after.moves)


def test_correctors_are_spared_only_where_they_could_not_pay_for_themselves():
    joining = [catalogue()[slug] for slug in ("simple-syrup-2-1", "lemon-juice", "still-water")]
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5))
    for row in list(rows(start, 1, correctors=joining).values())[:12]:
        assert row.mended is not None
        whole = rebalance(row.plain.drink, aim_at(start), correctors=joining)
        if row.candidate.helper is None and row.candidate.share == 1 and row.mended.drink.pours[1].volume_ml > 11.25:
            assert row.mended.cost >= whole.costs.total - 1e-9
            if whole.drink.pours[1].volume_ml >= 11.25:
                assert row.mended.cost == pytest.approx(whole.costs.total, abs=1e-9)


def test_an_edge_a_garnish_and_a_rinse_are_swapped_as_they_are():
    start = drink(("white-rum", 60), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("caster-sugar", 5, "rim"), ("vodka", 5, "rinse"))
    edge = rows(start, 3, free=[])["demerara-sugar"]
    assert edge.mended is not None
    assert (edge.moves, edge.plain.drink.pours[3].volume_ml) == ((), 5)
    assert edge.mended.figures["volume_ml"] == pytest.approx(forecast_of(start).served.volume_ml)
    for mode in ("rebalance", "hold_abv"):
        rinse = rows(start, 4, mode=mode)["aged-rum"]
        assert rinse.mended is not None
        assert rinse.mended.drink.pours[4].volume_ml == 5
        served = forecast_of(rinse.mended.drink).served
        assert rinse.mended.figures["abv"] == pytest.approx(served.abv, abs=1e-9)


def test_there_is_no_pour_beyond_the_last(golden):
    with golden.raises(OutOfRange):
        parts(DAISY, 9)


def test_aroma_ranks_what_smells_alike_and_says_what_comes_and_goes():
    larder = catalogue()
    sweet, dry, mint = larder["orange-liqueur-sweet"], larder["orange-liqueur-dry"], larder["mint-creme"]
    assert likeness(sweet, sweet) == pytest.approx(1)
    assert likeness(sweet, dry) > likeness(sweet, mint)
    assert likeness(larder["vodka"], larder["simple-syrup-1-1"]) == 1
    assert likeness(larder["vodka"], mint) == 0
    assert kinship(larder["vodka"], [mint]) is None
    assert kinship(mint, []) is None
    assert 0 <= (kinship(mint, [sweet, larder["white-rum"]]) or 0) <= 1
    came, went = aromas_between(sweet, mint)
    assert "mint" in came
    assert "orange" in went
    by_nose = sorted(rows(DAISY, 1).values(), key=lambda row: row.score("aroma"))
    place = [row.candidate.key for row in by_nose].index
    assert place("orange-bitter-aperitif") < place("orange-liqueur-dry") < place("coffee-liqueur")


def test_an_eight_three_three_is_where_its_own_board_starts():
    answer = rows(eight_three_three(), 1)
    assert min(row.plain.cost for row in answer.values()) < 0.1


def test_in_a_large_larder_what_lies_further_than_two_steps_is_told_as_that():
    # Six hundred offers are searched with a cut: a crème in a drink whose other pours are locked can't be brought back.
    creme = replace(catalogue()["cocoa-creme"], composition=Composition(abv=20, sugars={"sucrose": 60.0}))
    near = catalogue()["orange-liqueur-dry"]
    many = {f"near-{n}": replace(near, slug=f"near-{n}") for n in range(600)} | {"far": replace(creme, slug="far")}
    told = {row.candidate.key: row for part in parts(DAISY, 1, larder=many, free=[]) for row in part.rows}
    assert told["far"].mended is None
    assert told["far"].plain.cost > 4
    assert told["far"].score("balance") > max(row.score("balance") for key, row in told.items() if key != "far")
    assert all(row.mended is not None for key, row in told.items() if key != "far")


LADDERS = (
    ((22.5, 2.5, 0, 30), 13, 9),
    ((20.0, 7.5, 0, 30), 6, 3),
    ((0.0, 2.5, 0, 10), 5, 0),
    ((1.6, 0.8, 0, 9.6), 13, 2),
    ((40.0, 2.5, 5, 30), 12, 11),
)


@pytest.mark.parametrize(("asked", "rungs", "now"), LADDERS)
def test_a_pour_takes_multiples_of_its_grid_or_stays_as_it_is(asked: tuple[float, float, float, float], rungs: int, now: int):
    values, at = ladder(*asked)
    assert (len(values), at) == (rungs, now)
    assert values[at] == asked[0]
    assert all(a < b for a, b in itertools.pairwise(values))
    others = [value for index, value in enumerate(values) if index != at]
    assert all(value / asked[1] == pytest.approx(round(value / asked[1])) and asked[2] <= value <= asked[3] + 1e-9 for value in others)


def test_kinship_counts_half_of_likeness_and_none_told_half_of_that():
    # House rule of the ranking by aroma: likeness to what goes, and half as much kinship with what stays.
    row = rows(DAISY, 1, larder={"orange-liqueur-dry": catalogue()["orange-liqueur-dry"]})["orange-liqueur-dry"]

    def nose(likeness: float, kinship: float | None) -> float:
        return replace(row, likeness=likeness, kinship=kinship).score("aroma")

    assert nose(0.5, 0.6) == pytest.approx(nose(0.6, 0.4), abs=1e-9)
    assert nose(0.5, None) == nose(0.5, 0.5)
    assert nose(1, 1) == 0
    assert row.mended is not None
    assert row.score("both") == pytest.approx(row.mended.cost + row.score("aroma") + row.reach, abs=2e-9)


def test_bubbles_are_part_of_the_job_of_a_sparkling_pour(golden):
    # docs/model/rebalance.md: a still candidate pays 1 in J, comes after those that sparkle, and says what is lost; common
    # practice: never hot water.
    found = rows(FIZZ, 3)
    assert {row.loses_bubbles for row in found.values()} == {True, False}
    tea, tonic = found["green-tea-cold"], found["tonic-water"]
    golden(tea.unseen)
    assert not any("bubbles" in words for words in tonic.unseen)
    larger = math.log(tea.plain.figures["volume_ml"] / aim_at(FIZZ).target.volume_ml) / math.log(1.1)
    assert tea.plain.cost == pytest.approx(sum(n**2 for n in tea.plain.steps.values()) + larger**2 / 4 + 1, abs=1e-9)
    left_out = {each.ingredient.slug: each.reason for each in parts(FIZZ, 3)[0].left_out}
    golden(left_out["hot-water"])
    still = drink(("london-dry-gin", 60), ("lemon-juice", 30), ("simple-syrup-1-1", 22.5), ("still-water", 75, "topped"), family="fizz")
    golden(rows(still, 3)["soda-water"].unseen)


def test_what_a_bartender_has_at_hand_comes_before_what_he_would_have_to_reach_for():
    # common practice: no soda: ginger beer, tonic, sparkling wine. House rule: another kind of thing and a rare bottle cost in the ranking.
    found = rows(FIZZ, 3)
    order = sorted(found.values(), key=lambda row: (row.loses_bubbles, row.score("both")))
    places = {row.candidate.key: place for place, row in enumerate(order)}
    assert max(places[slug] for slug in ("tonic-water", "ginger-beer", "ginger-ale")) < places["stout"]
    assert places["tonic-water"] < places["cola-sugar-free"] < places["still-water"]
    beer, tonic = found["pale-lager"], found["tonic-water"]
    assert (beer.reach, tonic.reach) == (0.4, 0.0)
    own = replace(catalogue()["tonic-water"], slug="own", origin="house", rank=4)
    assert rows(FIZZ, 3, larder={"own": own})["own"].reach == 0


def test_a_row_tells_what_it_makes_louder_and_quieter():
    honeyed = drink(("white-rum", 60), ("lemon-juice", 30), ("honey-syrup", 22.5), ("soda-water", 75, "topped"), family="fizz")
    # Cola brings its own sugar, so that the honey goes; only what a nose could tell is told.
    told = rows(honeyed, 3)["cola"].loudness
    assert any(each.slug == "honey-syrup" and "less aroma" in each.words for each in told)
    assert all(each.is_noticeable for each in told)
