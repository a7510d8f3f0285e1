"""Every family of generated sentences over sixty drinks and situations, held to files that are read aloud: `tests/golden/families`.

`make golden` writes them anew. What a bartender would do is common practice of the trade: a weak lime needs more of it, a sharp one
less; what a drink is known by stays; what is cut is cut before the fruit is juiced.
"""

import re
from dataclasses import asdict, replace
from functools import cache

import pytest
from support.golden import sentences_of
from support.kitchen import preparation
from support.sixty_specs import sixty

from oenomel.core.batch.batch import BatchWish, batch_of
from oenomel.core.batch.batchable import SERVICES
from oenomel.core.batch.bottle_label import label_of
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.event.shopping import ForTheEvening, shopping
from oenomel.core.event.tasks import EveningDrink, tasks_for
from oenomel.core.families.typical_range import standard_typical_ranges
from oenomel.core.forecast.comparison import compare
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.core.larder.shelf import Inventory
from oenomel.core.lots.lot import LotReading, lot_of
from oenomel.core.menu.todays_drinks import todays_drink, with_lots
from oenomel.core.method import MethodOptions
from oenomel.core.method.garnishes import suggested_garnishes
from oenomel.core.method.steps import making_steps
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.search import originals
from oenomel.core.originals.search_context import BookDrink, SearchContext
from oenomel.core.preparations.by_cup import by_cup_words
from oenomel.core.preparations.outcome import prepared
from oenomel.core.preparations.preparation import KitchenStep
from oenomel.core.rebalance.alternatives import alternatives_of
from oenomel.core.rebalance.solver import correctors_for, rebalance
from oenomel.core.rebalance.target import Objective, Target
from oenomel.core.sensory.exercises import EXERCISES, exercise
from oenomel.core.spec.drink import Drink
from oenomel.core.swaps.board import Board, joined, swap_board
from oenomel.core.trials.next_trial import Sheet, proposals
from oenomel.core.trials.tasting import Verdict
from oenomel.errors import DomainError
from oenomel.formats.card.content import card_of
from oenomel.formats.recipe_reader import read_text
from oenomel.schemas.reports.batch_reports import batch_report, label_report
from oenomel.schemas.reports.forecast_reports import ComparisonReport, forecast_report
from oenomel.schemas.reports.originals_reports import handful_report
from oenomel.schemas.reports.swap_reports import rebalance_report, swaps_report

LARDER, CONDITIONS = catalogue(), Conditions()
SPECS = sixty()
SIMMERED = (KitchenStep("simmer", 12), KitchenStep("skim"), KitchenStep("strain"), KitchenStep("cool", 30))
STEEPED = (KitchenStep("steep", 60), KitchenStep("strain"))
BY_CUP = (("sugar", 1, "cup"), ("water", 1, "cup"))
ELDER = (("elderflowers", 20, "piece"), ("sugar", 1, "kg"), ("water", 1, "l"), ("citric acid", 40, "g"))
RHUBARB = (("rhubarb", 500, "g"), ("sugar", 400, "g"), ("lemon juice", 100, "ml"))
PREPARATIONS = {
    "one to one, by weight": ("syrup", (("sugar", 100, "g"), ("water", 100, "g")), (KitchenStep("dissolve"),), {}),
    "two to one, by the cup": ("syrup", (("sugar", 2, "cup"), ("water", 1, "cup")), (KitchenStep("simmer", 3),), {}),
    "raspberries by the cup, weighed": ("fruit syrup", (("raspberries", 2, "cup"), *BY_CUP), SIMMERED, {"weight_g": 520}),
    "raspberries by the cup, read": ("fruit syrup", (("raspberries", 2, "cup"), *BY_CUP), SIMMERED, {"brix": 45}),
    "fruit that nobody described": ("fruit syrup", (("fruit", 500, "g"), ("sugar", 300, "g"), ("water", 200, "g")), SIMMERED, {}),
    "rhubarb, pressed cold": ("cordial", RHUBARB, STEEPED, {"weight_g": 700}),
    "elderflower": ("cordial", ELDER, STEEPED, {}),
    "ginger": ("syrup", (("ginger", 150, "g"), *BY_CUP), SIMMERED, {"volume_ml": 250}),
    "almond": ("syrup", (("almonds", 200, "g"), ("water", 500, "ml"), ("sugar", 500, "g")), STEEPED, {}),
    "gum": ("gum syrup", (("gum arabic", 50, "g"), ("sugar", 400, "g"), ("water", 200, "g")), (KitchenStep("simmer", 5),), {}),
    "honey, three to one": ("thinned honey", (("honey", 3, "cup"), ("water", 1, "cup")), (KitchenStep("dissolve"),), {}),
    "saline, a fifth": ("saline", (("salt", 20, "g"), ("water", 80, "g")), (KitchenStep("dissolve"),), {}),
    "orange as sharp as lime": ("adjusted juice", (("orange juice", 1, "l"), ("citric acid", 32, "g"), ("malic acid", 20, "g")), (), {}),
    "acid, six in a hundred": ("acid solution", (("citric acid", 6, "g"), ("water", 94, "g")), (), {}),
    "gin with berries": ("infusion", (("london dry gin", 700, "ml"), ("raspberries", 200, "g"), ("sugar", 100, "g")), STEEPED, {}),
    "overproof with peel": ("infusion", (("overproof rum", 500, "ml"), ("orange peel", 40, "g")), STEEPED, {}),
    "cherries on the fire": ("fruit syrup", (("sour cherries", 600, "g"), ("sugar", 500, "g"), ("water", 200, "g")), SIMMERED, {}),
    "milk and coffee": ("infusion", (("whole milk", 500, "ml"), ("coffee", 30, "g")), STEEPED, {}),
}  # fmt: skip


def _garnish_line(garnish):
    return f"{garnish.what}{f', {garnish.how}' if garnish.how else ''}: {garnish.why}"


def riff_of(drink: Drink, at: int) -> Drink:
    """The drink with another amount, another bottle, or a pour less, by turns."""
    first = drink.pours[0]
    ways = (
        lambda: drink.with_pours((first.at(first.volume_ml * 1.5), *drink.pours[1:])),
        lambda: drink.with_pours((first.at(first.volume_ml * 0.75), *drink.pours[1:])),
        lambda: drink.with_pours(drink.pours[1:]) if len(drink.pours) > 2 else drink.with_pours((*drink.pours, first)),
        lambda: drink.with_pours((replace(first, ingredient=LARDER["grapefruit-juice"]), *drink.pours[1:])),
        lambda: drink.with_pours((*drink.pours[:-1], replace(drink.pours[-1], ingredient=LARDER["rye-whiskey"]))),
        lambda: replace(drink, method=replace(drink.method, seconds=4.0)),
    )
    return ways[at % len(ways)]()


def comparison_of(at: int, _, drink: Drink) -> list[str]:
    return sentences_of(ComparisonReport.model_validate(compare(riff_of(drink, at), drink)))


def rebalanced(_, spec, drink: Drink) -> list[str]:
    aim = Objective(Target(sugar=7.5, acid=0.85, abv=14.7, volume_ml=150))
    answer = rebalance(drink, aim)
    return sentences_of(rebalance_report(spec, drink, answer, alternatives_of(drink, aim, answer, None, correctors_for(drink, LARDER))))


FEW = {
    slug: LARDER[slug]
    for slug in (
        "orange-liqueur-dry", "apricot-liqueur", "lime-juice", "lemon-juice", "grapefruit-juice", "honey-syrup", "agave-syrup",
        "simple-syrup-2-1", "rye-whiskey", "white-rum", "london-dry-gin", "sparkling-brut", "soda-water", "egg-white", "verjus",
        "smoked-agave-spirit", "elderflower-liqueur", "aquafaba",
    )
}  # fmt: skip


def swaps_of(at: int, spec, drink: Drink) -> list[str]:
    aim = Objective(Target(*(getattr(forecast_of(drink).served, name) for name in ("sugar", "acid", "abv", "volume_ml"))))
    board: Board = joined(swap_board(drink, at % len(drink.pours), FEW, aim, "rebalance"))
    return sentences_of(swaps_report(spec, drink, board, Inventory({}, frozenset()), "both"))


VERDICTS = (
    Verdict(sugar=1, acid=0, abv=0), Verdict(sugar=-2, acid=0, abv=0), Verdict(sugar=0, acid=2, abv=0, body=-1),
    Verdict(sugar=0, acid=-1, abv=1), Verdict(sugar=2, acid=2, abv=0), Verdict(sugar=0, acid=0, abv=-1, body=-2),
    Verdict(sugar=0, acid=0, abv=0, lacking=True), Verdict(sugar=0, acid=0, abv=0, body=2), Verdict(sugar=-1, acid=1, abv=0),
    Verdict(sugar=0, acid=0, abv=0),
)  # fmt: skip


def next_of(at: int, _, drink: Drink) -> list[str]:
    home = standard_typical_ranges().get((drink.family, ""))
    loud = max((p for p in drink.pours if p.slot != "base"), key=lambda p: p.liquid_ml, default=drink.pours[0])
    verdict = Verdict(0, 0, 0, loud=loud.ingredient.slug) if at % 11 == 10 else VERDICTS[at % 11]
    standing, found = proposals([Sheet(drink, verdict, 1, "today")], drink, 1, LARDER, home)
    return [standing.sentence, *(f"{each.title}: {reason}" for each in found for reason in each.reasons)]


def batches_of(at: int, _, drink: Drink) -> list[str]:
    batch = batch_of(drink, BatchWish(SERVICES[at % len(SERVICES)], serves=20))
    bought = shopping([ForTheEvening(drink, 20, 20, batch.wish.service)], {}, {}, CONDITIONS)
    return sentences_of({"batch": batch_report(batch, bought).model_dump(mode="json"), "label": label_report(label_of(batch)).model_dump()})


def plan_of(at: int) -> list[str]:
    drinks = [drink for _, drink in SPECS[at : at + 3]]
    evening = [ForTheEvening(drink, 12, 12) for drink in drinks]
    bought = shopping(evening, {}, {}, CONDITIONS)
    tasks = tasks_for([EveningDrink(each) for each in evening], [], bought)
    return [*(f"{task.words}. {task.why}".strip() for task in tasks), *(f"{each.name}: {each.amount} ({each.words})" for each in bought)]


TODAYS_CITRUS = ((4.6, 50.0), (7.4, 50.0), (5.9, 44.0))


def today_of(drink: Drink) -> list[str]:
    told = []
    for acid, brix in TODAYS_CITRUS:
        read = {slug: lot_of(LARDER[slug], [LotReading("acid", acid)], "a lot").ingredient for slug in ("lime-juice", "lemon-juice")}
        read |= {"simple-syrup-1-1": lot_of(LARDER["simple-syrup-1-1"], [LotReading("brix", brix)], "a lot").ingredient}
        found = todays_drink(forecast_of(drink), forecast_of(with_lots(drink, {})), read)
        moves = "; ".join(f"{move.ingredient.name} {move.after_ml:g}, not {move.before_ml:g} ml" for move in found.moves)
        told.append(
            f"citrus {acid} g, syrup {brix:.0f} °Bx: {found.words}. {moves + '.' if moves else ''} {found.remaining}".strip().replace(
                "  ", " "
            )
        )
    return told


@cache
def index() -> Index:
    return Index(Findable.of(each) for each in LARDER.values())


WRITTEN = (
    "{amount:g} ml {name}", "{name} {amount:g} ml", "{oz:.2g} oz {name}", "{amount:g}ml of {name}, please", "about {amount:g} ml {name}",
    "{amount:g} {name}",
)  # fmt: skip


def read_of(at: int, spec, drink: Drink) -> list[str]:
    shape = WRITTEN[at % len(WRITTEN)]
    lines = [shape.format(amount=pour.volume_ml, oz=pour.volume_ml / 30, name=pour.ingredient.name.lower()) for pour in drink.pours]
    text = "\n".join([spec.name, *lines, "Shake hard and strain.", "a glug of something nice"])
    try:
        return sentences_of(read_text(text, index(), LARDER.__getitem__))
    except DomainError as error:
        return [str(error)]


def kitchen_of(kind, lines, steps, final, name) -> list[str]:
    written = preparation(kind, *lines, steps=steps, name=name, **final)
    made = prepared(written)
    head = f"{made.brix:.1f} ± {1.2816 * made.brix_sd:.1f} °Bx, {made.yield_ml:.0f} ml, keeps {made.keeps_days} days"
    return [head, *made.why, *made.cautions, *filter(None, [by_cup_words(written)])]


def exercises() -> dict[str, list[str]]:
    book = [drink for _, drink in SPECS]
    hand = {"lemon-juice", "lime-juice", "simple-syrup-1-1", "london-dry-gin", "white-rum", "honey-syrup", "orange-liqueur-dry"}
    drawn = {f"{kind} {seed}": exercise(kind, book, LARDER, hand, CONDITIONS, seed) for kind in EXERCISES for seed in range(20)}
    return {name: sentences_of(asdict(each) | {"drink": None}) for name, each in drawn.items()}


def new_ideas() -> dict[str, list[str]]:
    ground = SearchContext(LARDER, [BookDrink(spec.name, drink) for spec, drink in SPECS[:12]])
    told = {}
    for family in ("sour", "daisy", "fizz"):
        *_, last = originals(ground, Criteria(family, count=20, seed=3), (), 8_000)
        told |= {each.spec.name: sentences_of(each) for each in handful_report(last).originals}
    return told


def of_each(say) -> dict[str, list[str]]:
    return {spec.name: say(at, spec, drink) for at, (spec, drink) in enumerate(SPECS)}


def of_drinks(say) -> dict[str, list[str]]:
    return {spec.name: say(drink) for spec, drink in SPECS}


FAMILIES = {
    "forecast": lambda: of_drinks(lambda drink: sentences_of(forecast_report(forecast_of(drink)))),
    "findings": lambda: of_drinks(lambda drink: [f"{f.code}: {f.message}" for f in forecast_of(drink).findings]),
    "comparison": lambda: of_each(comparison_of),
    "rebalancing": lambda: of_each(rebalanced),
    "swaps": lambda: of_each(swaps_of),
    "originals": new_ideas,
    "next trial": lambda: of_each(next_of),
    "garnish": lambda: of_drinks(lambda drink: [_garnish_line(each.garnish) for each in suggested_garnishes(drink, LARDER.values())]),
    "method": lambda: of_drinks(lambda drink: [f"{step.words} {step.sign}".strip() for step in making_steps(drink)]),
    "batch": lambda: of_each(batches_of),
    "event plan": lambda: {f"from {SPECS[at][0].name}": plan_of(at) for at in range(0, 60, 3)},
    "today": lambda: of_drinks(today_of),
    "recipe reading": lambda: of_each(read_of),
    "card": lambda: of_drinks(lambda drink: sentences_of(asdict(card_of(forecast_of(drink), MethodOptions())))),
    "preparations": lambda: {name: kitchen_of(*told, name) for name, told in PREPARATIONS.items()},
    "exercises": exercises,
}


@cache
def said_in(family: str) -> dict[str, list[str]]:
    return FAMILIES[family]()


@pytest.mark.parametrize("family", FAMILIES)
def test_what_is_said_reads_as_it_was_read(family, golden):
    golden.family(family).all(said_in(family))


@pytest.mark.parametrize("family", ["method", "preparations", "next trial", "batch", "findings", "today"])
def test_every_line_is_a_whole_sentence(family):
    for lines in said_in(family).values():
        for line in lines:
            assert not re.search(r"  | [.,]|\.\.|\bNone\b(?! at hand)|\{|\bnan\b", line), line
            assert not re.search(r"\b(?:a a|the the|a the|of of)\b", line), line


def test_no_correction_pours_away_what_a_drink_is_known_by_and_all_can_be_poured():
    told = "\n".join(line for lines in said_in("today").values() for line in lines)
    corrections = re.findall(r" ([\d.]+), not ([\d.]+) ml", told)
    assert len(corrections) > 60
    for after, before in corrections:
        assert float(after) % 2.5 == 0
        assert 0.4 <= float(after) / float(before) <= 1.8
