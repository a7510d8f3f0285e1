"""Today's drinks: their state, stock and preparations."""

from __future__ import annotations

import sqlite3

from oenomel.core.balance import AXES, can_be_tasted, in_words
from oenomel.core.menu import fruit_tonight, with_lots
from oenomel.core.menu.costs import cost_of_drink, pour_cost_words
from oenomel.core.menu.stock_needed import USUAL_SERVES, StockLevel, poured_tonight, to_prepare
from oenomel.core.menu.todays_drinks import shared_moves, todays_headline
from oenomel.core.spec import Drink
from oenomel.core.wording import agreeing
from oenomel.schemas.base import LevelsReport, Named
from oenomel.schemas.poured_spec import with_pours_of
from oenomel.schemas.reports.menu_reports import (
    AxisToday,
    DrinkToday,
    FruitReport,
    LowReport,
    MoveToday,
    PourToday,
    PrepareReport,
    TodayReport,
)
from oenomel.schemas.routes.menu_models import CurrencyEntry, OnTheListEntry, ParEntry, TodayQuery
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import TODAYS
from oenomel.services.inventory import crates_of, on_hand_ml
from oenomel.services.resolve import conditions_for
from oenomel.services.todays_menu import (
    ListedDrink,
    TodaysList,
    todays_list,
)
from oenomel.store import ingredients, lots, menu_entries, preparations, shelf
from oenomel.store.database import transaction
from oenomel.store.lots import LotRecord
from oenomel.store.menu_entries import OnTheList


def get_today(conn: sqlite3.Connection, asked: TodayQuery) -> TodayReport:
    """Return today's drinks with today's lots: what to pour instead, what runs low, what to prepare and to buy."""
    today = todays_list(conn, conditions_for(conn, asked), asked.grid)
    entries = menu_entries.listed(conn)
    evening = [(drink.today.present.drink, _serves(entries, drink.drink_id)) for drink in today.drinks]
    open_lots = lots.open_lots(conn)
    on_hand = on_hand_ml(conn, open_lots)
    return TodayReport(
        headline=todays_headline([listed_drink.today for listed_drink in today.drinks]),
        shared=shared_moves([listed_drink.today for listed_drink in today.drinks]),
        whole_book=today.whole_book,
        drinks=[_drink(listed_drink, today, entries.get(listed_drink.drink_id)) for listed_drink in today.drinks],
        worth=list(today.worth[:3]),
        low=_low(conn, today),
        prepare=_prepare(conn, evening, on_hand),
        fruit=_fruit(open_lots, evening, on_hand),
        currency=menu_entries.currency(conn),
    )


def put_on_the_list(conn: sqlite3.Connection, drink_id: int, body: OnTheListEntry) -> None:
    """Save the price of a drink, and how many are expected tonight."""
    with transaction(conn):
        menu_entries.put_on_the_list(conn, OnTheList(drink_id, body.price, body.serves))


def put_par(conn: sqlite3.Connection, slug: str, body: ParEntry) -> None:
    """Save the par of an ingredient: how much of it should be in stock; empty for none."""
    with transaction(conn):
        menu_entries.put_par(conn, slug, body.par_ml)


def put_currency(conn: sqlite3.Connection, body: CurrencyEntry) -> None:
    """Save the currency of prices."""
    with transaction(conn):
        menu_entries.put_currency(conn, body.sign.strip())


def get_currency(conn: sqlite3.Connection) -> CurrencyEntry:
    """Return the currency of prices; empty where none was set."""
    return CurrencyEntry(sign=menu_entries.currency(conn))


def _serves(entries: dict[int, OnTheList], drink_id: int) -> int:
    entry = entries.get(drink_id)
    return USUAL_SERVES if entry is None or entry.serves is None else entry.serves


def _drink(drink: ListedDrink, today: TodaysList, entry: OnTheList | None) -> DrinkToday:
    of = drink.today
    poured = of.present.drink if of.instead is None else of.instead.drink
    cost = cost_of_drink(poured)
    spec = _of_todays(with_pours_of(drink.spec, with_lots(drink.written, {}), poured), today)
    moved = {move.pour for move in of.moves}
    price = entry.price if entry else None
    return DrinkToday(
        drink_id=drink.drink_id,
        trial=drink.trial_number,
        name=drink.name,
        family=drink.written.family,
        fine=of.is_fine,
        words=of.words,
        left=of.remaining,
        axes=[
            AxisToday(
                axis=name,
                written=getattr(of.written.served, name),
                today=getattr(of.present.served, name),
                interval=[of.present.interval80[name].low, of.present.interval80[name].high],
                steps=of.steps[name],
                felt=can_be_tasted(of.steps[name]),
                words=in_words(of.steps[name], axis),
            )
            for name, axis in AXES.items()
        ],
        moves=[
            MoveToday(pour=move.pour, ingredient=Named.of(move.ingredient), before_ml=move.before_ml, after_ml=move.after_ml)
            for move in of.moves
        ],
        pours=[
            PourToday(
                ingredient=Named.of(pour.ingredient),
                ml=pour.volume_ml,
                changed=index in moved,
                lot=today.lots[pour.ingredient.slug][0].name if pour.ingredient.slug in today.lots else "",
            )
            for index, pour in enumerate(poured.pours)
        ],
        spec=spec,
        written=LevelsReport.model_validate(of.written.served),
        today=LevelsReport.model_validate(of.present.served),
        serves=entry.serves if entry else None,
        price=price,
        cost=cost.total,
        cost_missing=list(cost.missing),
        pour_cost=pour_cost_words(cost, price),
        lots=[today.lots[slug][0].name for slug in dict.fromkeys(p.ingredient.slug for p in poured.pours) if slug in today.lots],
    )


def _of_todays(spec: SpecFile, today: TodaysList) -> SpecFile:
    """Return the spec with today's lot for each pour that has one."""
    pours = [
        pour.model_copy(update={"lot": TODAYS}) if isinstance(pour.ingredient, str) and pour.ingredient in today.lots else pour
        for pour in spec.pours
    ]
    return spec.model_copy(update={"pours": pours})


def _low(conn: sqlite3.Connection, today: TodaysList) -> list[LowReport]:
    counted = today.drinks_pouring
    low = {slug: shelved.state for slug, shelved in shelf.all_shelved(conn).items() if shelved.state != "at hand" and slug in counted}
    known = ingredients.some(conn, low)
    low_reports = [LowReport(ingredient=Named.of(known[slug]), state=state, drinks=counted[slug]) for slug, state in low.items()]
    return sorted(low_reports, key=lambda each: (each.state != "out", -each.drinks, each.ingredient.name))


def _prepare(conn: sqlite3.Connection, evening: list[tuple[Drink, int]], on_hand: dict[str, float]) -> list[PrepareReport]:
    pars, needs = menu_entries.pars(conn), poured_tonight(evening)
    prepared_slugs = {preparation.slug for preparation in preparations.all_preparations(conn)}
    wanted = {slug for slug in {*pars, *prepared_slugs, *on_hand} if slug in needs or slug in pars}
    known = ingredients.some(conn, wanted)
    standing = [StockLevel(ingredient, on_hand.get(slug), pars.get(slug), slug in prepared_slugs) for slug, ingredient in known.items()]
    return [
        PrepareReport(
            ingredient=Named.of(preparation.ingredient), ml=preparation.ml, prepared=preparation.is_prepared, words=preparation.words
        )
        for preparation in to_prepare(standing, needs)
    ]


def _fruit(open_lots: list[LotRecord], evening: list[tuple[Drink, int]], on_hand: dict[str, float]) -> list[FruitReport]:
    fruits = fruit_tonight(evening, crates_of(open_lots), on_hand)
    return [
        FruitReport(
            name=agreeing(fruit.pieces, fruit.fruit.name),
            pieces=fruit.pieces,
            decided_by=fruit.decided_by,
            why=fruit.why,
        )
        for fruit in fruits
    ]
