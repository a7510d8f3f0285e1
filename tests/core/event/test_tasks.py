"""The plan backwards from the hour, what the evening takes, corrections of a bottle, lines of descent: laws and tables."""

from support.drinks import drink

from oenomel.core.batch.batch import BatchWish, batch_of
from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.event.schedule import schedule
from oenomel.core.event.shopping import ForTheEvening, Stock, shopping
from oenomel.core.event.tasks import EveningDrink, tasks_for, to_make
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.preparations.preparation import KitchenStep
from oenomel.core.spec.technique import Garnish, Serve

LARDER = catalogue()


GARNISHED = Serve(glass="coupe", garnish=(Garnish("lime wheel"), Garnish("lime zest"), Garnish("mint sprig")))


def evening(serves=12, service="ice"):
    made = drink(
        ("white-rum", 45), ("lime-juice", 22.5), ("simple-syrup-1-1", 22.5), ("caster-sugar", 4, "rim"), ("soda-water", 50, "topped")
    )
    made = made.with_pours(made.pours)
    made = type(made)("Long One", made.family, made.pours, made.form, made.method, GARNISHED)
    batch = batch_of(made, BatchWish(service, serves=serves))
    stirred = drink(("london-dry-gin", 60), ("sweet-vermouth", 25))
    stirred = type(stirred)("Short One", "open", stirred.pours, "", stirred.method, Serve(glass="coupe"))
    return [
        EveningDrink(ForTheEvening(made, serves, serves, service), batch),
        EveningDrink(ForTheEvening(stirred, 0, 5), ready="the small bottle"),
    ]


def test_an_evening_is_told_from_zest_to_ice_and_every_task_after_what_it_needs():
    drinks = evening()
    stock = {"simple-syrup-1-1": Stock(100, "", True), "white-rum": Stock(0, "at hand"), "soda-water": Stock()}
    bought = shopping([each.of for each in drinks], stock, {}, Conditions())
    syrup = to_make(LARDER["simple-syrup-1-1"], 170, [KitchenStep("simmer", 5), KitchenStep("cool", 40)])
    assert (syrup.ml, syrup.minutes, syrup.waits, syrup.is_hot) == (200, 15, 40, True)
    planned = schedule(tasks_for(drinks, [syrup], bought), 2)
    at = {each.task.key: each for each in planned}
    wanted = {
        "make: simple-syrup-1-1", "zest: lime", "cut: lime", "press: lime", "mix: Long One", "taste: Long One", "cold: Long One", "bubbles",
        "edge: Long One", "glasses: coupe", "garnish: Long One mint sprig", "ready: Short One", "ice", "bar",
    }  # fmt: skip
    assert wanted <= at.keys()
    for first, then in (
        ("zest: lime", "press: lime"), ("press: lime", "mix: Long One"), ("make: simple-syrup-1-1", "mix: Long One"),
        ("mix: Long One", "taste: Long One"), ("taste: Long One", "cold: Long One"),
    ):  # fmt: skip
        assert at[first].ready <= at[then].begins
    assert at["cold: Long One"].ready <= 0
    assert at["edge: Long One"].ready <= -15
    assert all(each.task.words[0].isupper() or each.task.words[0].isdigit() for each in planned)
    # What is only poured out of a bottle wants no juice, no shaker and no mixing.
    assert not any("Short One" in key and key.startswith(("mix", "press")) for key in at)


def test_opened_bottles_go_first_then_the_shelf_the_stillroom_and_the_shop(golden):
    lines = shopping(
        [each.of for each in evening()],
        {
            "simple-syrup-1-1": Stock(100, "", True),
            "white-rum": Stock(400, "at hand"),
            "soda-water": Stock(0, "low"),
        },
        {},
        Conditions(),
    )
    told = {line.key: line for line in lines}
    assert [line.source for line in lines] == sorted((line.source for line in lines), key=("open", "shelf", "stillroom", "shop").index)
    assert told["open: white-rum"].ml == 400
    assert told["shelf: white-rum"].ml == 12 * 45 - 400
    assert told["open: simple-syrup-1-1"].ml == 100
    assert told["stillroom: simple-syrup-1-1"].amount == "200 ml"
    assert told["shop: soda-water"].amount == "1 bottle of 1000 ml"
    golden(told["shop: soda-water"].words)
    # The limes give zest, wheels and juice, each counted once; what is in the bottle already takes none.
    limes = told["fruit: lime"]
    assert limes.low <= limes.pieces <= limes.high
    assert limes.pieces >= 12 + 2
    assert told["garnish: mint sprig"].pieces == 12
    assert not any(line.slug == "london-dry-gin" for line in lines)
    assert told["ice"].amount.endswith(" kg")
