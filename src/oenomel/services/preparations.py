"""Preparations: written down, computed, adjusted, and made into lots."""

from __future__ import annotations

import json
import sqlite3
from dataclasses import asdict, replace

from oenomel.core.dilution import Conditions
from oenomel.core.larder import Ingredient, SourcedValue, Tier, known_by, slug_for
from oenomel.core.larder.ingredient_search import folded
from oenomel.core.menu import TodaysDrink, todays_drink
from oenomel.core.menu.costs import cost_of_preparation
from oenomel.core.menu.todays_drinks import effect_words, making_headline
from oenomel.core.preparations import Outcome, prepared
from oenomel.core.preparations.adjustment import Adjustment, to_acid, to_brix
from oenomel.core.preparations.goods import Good, all_goods, find_goods
from oenomel.core.preparations.outcome import OWN_RECIPE
from oenomel.core.preparations.preparation import Preparation, scaled
from oenomel.errors import OenomelError, OutOfRange, RecordConflict, SpecError
from oenomel.schemas.base import Named, Plain
from oenomel.schemas.preparation_file import Known, PreparationFile, preparation_of, preparation_report
from oenomel.schemas.reports.preparation_reports import (
    CostReport,
    FollowReport,
    KitchenFound,
    MadeReport,
    PreparationAnswer,
    PreparationSummary,
)
from oenomel.schemas.routes.preparations_models import AcidAdjustmentEntry, BrixEntry, GoodPriceEntry, MakingEntry, ScaleEntry
from oenomel.services.lots import checked_time, day_name
from oenomel.services.open_lots import todays_lots
from oenomel.services.readable import read_or_none
from oenomel.services.revisions import check_revision, revision_of
from oenomel.services.todays_menu import ListedDrink, todays_list
from oenomel.store import ingredients, lots, menu_entries, preparations
from oenomel.store.clock import now
from oenomel.store.database import transaction
from oenomel.store.lots import LotRecord
from oenomel.store.preparations import PreparationRecord
from oenomel.store.stock import in_stock


def list_preparations(conn: sqlite3.Connection, conditions: Conditions) -> list[PreparationSummary]:
    """List the preparations."""
    kept = preparations.all_preparations(conn)
    known = ingredients.some(conn, {record.slug for record in kept})
    open_lots: dict[str, list[LotRecord]] = {}
    for lot in lots.open_lots(conn):
        open_lots.setdefault(lot.slug, []).append(lot)
    pars, poured = menu_entries.pars(conn), todays_list(conn, conditions).drinks_pouring
    reports = (
        read_or_none(
            _summary, conn, record, known[record.slug], open_lots.get(record.slug, []), pars.get(record.slug), poured.get(record.slug, 0)
        )
        for record in kept
    )
    return [report for report in reports if report is not None]


def get_preparation(conn: sqlite3.Connection, slug: str, conditions: Conditions) -> PreparationSummary:
    """Return one preparation."""
    record = preparations.get(conn, slug)
    open_lots = [lot for lot in lots.open_lots(conn) if lot.slug == slug]
    poured = todays_list(conn, conditions).drinks_pouring.get(slug, 0)
    return _summary(conn, record, ingredients.get(conn, slug), open_lots, menu_entries.pars(conn).get(slug), poured)


def prepare(conn: sqlite3.Connection, file: PreparationFile) -> PreparationAnswer:
    """Compute the composition and yield of a preparation."""
    return _answer(conn, prepared(_preparation(conn, file, _called(conn, file.name))))


def scale_preparation(conn: sqlite3.Connection, body: ScaleEntry) -> PreparationFile:
    """Scale a preparation to the amount on hand of one of its lines."""
    if body.line >= len(body.file.lines):
        raise SpecError("line", f"there is no line {body.line}: the recipe has {len(body.file.lines)}, counted from 0")
    preparation = _preparation(conn, body.file, "")
    now_amount = preparation.lines[body.line].amount
    if now_amount <= 0:
        raise OutOfRange("the amount", now_amount, 0, 1_000_000)
    larger = scaled(preparation, body.amount / now_amount)
    content = body.file.model_dump()
    for entry, line in zip(content["lines"], larger.lines, strict=True):
        entry["amount"] = round(line.amount, 3)
    for entry, step in zip(content["steps"], larger.steps, strict=True):
        entry["evaporated_g"] = step.evaporated_g
    content["final"] = asdict(larger.final)
    return PreparationFile.model_validate(content)


def add_preparation(conn: sqlite3.Connection, file: PreparationFile, conditions: Conditions) -> PreparationSummary:
    """Add a preparation. It defines the ingredient of the same name, which is created where there is none."""
    with transaction(conn):
        slug = _called(conn, file.name)
        if slug and any(preparation.slug == slug for preparation in preparations.all_preparations(conn)):
            name = ingredients.get(conn, slug).in_sentence
            raise RecordConflict(f"{name} exists already: change that recipe, or choose another name")
        outcome = prepared(_preparation(conn, file, slug or slug_for(file.name)))
        if not slug:
            slug = ingredients.add(conn, outcome.ingredient()).slug
        preparations.put(conn, PreparationRecord(slug, file.model_dump_json(exclude_unset=True)))
        return get_preparation(conn, slug, conditions)


def change_preparation(
    conn: sqlite3.Connection, slug: str, file: PreparationFile, conditions: Conditions, read: str | None = None
) -> PreparationSummary:
    """Change a preparation; lots already made of it stay as they are. Refused with 409 where it was changed since it was read."""
    with transaction(conn):
        record = preparations.get(conn, slug)
        check_revision(read, file.name, record.content)
        outcome = prepared(_preparation(conn, file, slug))
        ingredient = ingredients.get(conn, slug)
        if ingredient.origin == "house" and any(value.source_kind == "house-made" for value in ingredient.values.values()):
            ingredients.put(conn, replace(outcome.ingredient(slug, ingredient.name, ingredient), origin="house"))
        preparations.put(conn, PreparationRecord(slug, file.model_dump_json(exclude_unset=True), record.origin))
        return get_preparation(conn, slug, conditions)


def remove_preparation(conn: sqlite3.Connection, slug: str) -> None:
    """Delete a preparation; its lots and its ingredient stay."""
    with transaction(conn):
        preparations.remove(conn, slug)


def make_preparation(conn: sqlite3.Connection, slug: str, body: MakingEntry, conditions: Conditions) -> MadeReport:
    """Make a lot from what was weighed, and return what that changes in today's drinks."""
    with transaction(conn):
        preparations.get(conn, slug)
        base = ingredients.get(conn, slug)
        outcome = prepared(_preparation(conn, body.file, slug))
        made_at = checked_time(body.made_at, "made_at") if body.made_at else now()
        name = body.name or lots.unused_name(conn, slug, day_name(made_at))
        values = [*outcome.ingredient(slug, base.name).values.values()]
        per_litre = _answer(conn, outcome).cost.per_litre
        if per_litre:
            values.append(SourcedValue("price_per_litre", per_litre, 0.0, OWN_RECIPE, "house-made", "what went in"))
        contents = json.dumps([asdict(value) for value in values])
        record = LotRecord(
            slug, name, made_at, None, outcome.yield_ml, outcome.yield_ml, None, body.file.model_dump_json(exclude_unset=True), contents
        )
        lot_id = lots.add(conn, record)
    alone = _alone(conn, slug, conditions)
    headline = making_headline(base.composition, outcome.composition, [(listed.name, todays) for listed, todays in alone])
    return MadeReport(lot_id=lot_id, name=name, headline=headline, follows=[_follow(*pair) for pair in alone])


def list_follows(conn: sqlite3.Connection, slug: str, conditions: Conditions) -> list[FollowReport]:
    """Return what today's lot of one ingredient, by itself, changes in today's drinks."""
    ingredients.get(conn, slug)
    return [_follow(*pair) for pair in _alone(conn, slug, conditions)]


def adjust_to_brix(body: BrixEntry) -> Adjustment:
    """Compute the sugar or water that brings a liquid to a given °Bx."""
    return to_brix(body.weight_g, body.weight_g * body.brix / 100, body.wanted_brix)


def adjust_to_acid(conn: sqlite3.Connection, body: AcidAdjustmentEntry) -> Adjustment:
    """Compute the grams of each acid that bring a juice to another juice's acidity."""
    juice, like = ingredients.get(conn, body.juice), ingredients.get(conn, body.like)
    today = todays_lots(conn, [body.juice]).get(body.juice)
    has = today[1].ingredient if today else juice
    return to_acid(has.composition, like.composition.acids, body.volume_ml, like.in_sentence)


def find_for_the_pot(conn: sqlite3.Connection, q: Plain) -> list[KitchenFound]:
    """Find what can go into a preparation, best match first, dry and fresh goods before ingredients."""
    matches = [
        (tier, 0, KitchenFound(what=good.slug, name=good.name, note=_note(good), sure=tier <= Tier.ANY_ORDER))
        for good, tier in find_goods(q)
    ]
    index = ingredients.names(conn)
    matches += [
        (match.tier, 1, KitchenFound(what=match.slug, name=match.name, note="from the larder", sure=match.tier <= Tier.ANY_ORDER))
        for match in index.find(q, in_stock(conn))
    ]
    return [match for *_, match in sorted(matches, key=lambda each: each[:2])[:8]]


def put_good_price(conn: sqlite3.Connection, slug: str, body: GoodPriceEntry) -> None:
    """Save the price of a kilogram of a dry good."""
    if slug not in all_goods():
        raise SpecError("slug", f'"{slug}" isn\'t in the list of dry and fresh goods')
    with transaction(conn):
        menu_entries.put_good_price(conn, slug, body.price_per_kg)


def _preparation(conn: sqlite3.Connection, file: PreparationFile, itself: str) -> Preparation:
    known = known_by(ingredients.names(conn), ingredients.larder(conn))
    preparation = preparation_of(file, known, itself)
    if itself:
        _no_circle(conn, preparation, itself, known)
    return preparation


def _no_circle(conn: sqlite3.Connection, preparation: Preparation, itself: str, known: Known) -> None:
    """Raise where a line of the preparation is itself made from its result."""
    recipes = {record.slug: record.content for record in preparations.all_preparations(conn)}
    waiting = [(i, line.what.slug) for i, line in enumerate(preparation.lines) if isinstance(line.what, Ingredient)]
    while waiting:
        i, slug = waiting.pop()
        if slug == itself:
            raise SpecError(f"lines[{i}].what", f"{preparation.lines[i].name} is made of {preparation.name}: choose another ingredient")
        # Each preparation is visited once.
        content = recipes.pop(slug, None)
        if content is not None:
            inside = (known(line.what) for line in PreparationFile.model_validate_json(content).lines if isinstance(line.what, str))
            waiting += [(i, ingredient.slug) for ingredient in inside if ingredient is not None]


def _called(conn: sqlite3.Connection, name: str) -> str:
    """Return the slug of the ingredient with exactly this name, or with it as another name; empty where there is none.

    "House honey" is no honey: what a house makes has a name of its own.
    """
    matches = ingredients.names(conn).find(name)
    if not matches:
        return ""
    ingredient = ingredients.get(conn, matches[0].slug)
    return ingredient.slug if folded(name) in map(folded, (ingredient.name, *ingredient.also)) else ""


def _answer(conn: sqlite3.Connection, outcome: Outcome) -> PreparationAnswer:
    cost = cost_of_preparation(outcome, menu_entries.good_prices(conn))
    per_litre = 1000 * cost.total / outcome.yield_ml if outcome.yield_ml > 0 and not cost.missing else None
    cost_report = CostReport(total=cost.total, per_litre=per_litre, parts=list(cost.parts), missing=list(cost.missing), words=cost.words)
    return PreparationAnswer(**preparation_report(outcome).model_dump(), cost=cost_report)


def _summary(
    conn: sqlite3.Connection, record: PreparationRecord, makes: Ingredient, open_lots: list[LotRecord], par: float | None, drinks: int
) -> PreparationSummary:
    file = PreparationFile.model_validate_json(record.content)
    report, fault = None, ""
    try:
        report = _answer(conn, prepared(_preparation(conn, file, record.slug)))
    except OenomelError as error:
        # An ingredient of it may have been deleted since: the preparation can still be read and corrected.
        fault = str(error)
    known = [open_lot.left_ml for open_lot in open_lots if open_lot.left_ml is not None]
    return PreparationSummary(
        makes=Named.of(makes),
        kind=file.kind,
        file=file,
        report=report,
        fault=fault,
        left_ml=sum(known) if known else None,
        par_ml=par,
        lots=len(open_lots),
        drinks=drinks,
        revision=revision_of(record.content),
    )


def _alone(conn: sqlite3.Connection, slug: str, conditions: Conditions) -> list[tuple[ListedDrink, TodaysDrink]]:
    """Return each of today's drinks that pours an ingredient, with today's lot of it and usual values otherwise."""
    today = todays_list(conn, conditions)
    if slug not in today.lots:
        return []
    lot = {slug: today.lots[slug][1].ingredient}
    pouring = [drink for drink in today.drinks if any(pour.ingredient.slug == slug for pour in drink.written.pours)]
    return [(listed_drink, todays_drink(listed_drink.today.written, listed_drink.today.written, lot)) for listed_drink in pouring]


def _follow(listed: ListedDrink, alone: TodaysDrink) -> FollowReport:
    return FollowReport(
        drink_id=listed.drink_id,
        drink=listed.name,
        trial=listed.trial_number,
        fine=alone.is_fine,
        words="fine as it is" if alone.is_fine else effect_words(alone.steps),
        instead=[f"{move.ingredient.name}: {move.after_ml:g} instead of {move.before_ml:g} ml" for move in alone.moves],
    )


def _note(good: Good) -> str:
    return {"fruit": "fruit", "plant": "greens and spices", "sugar": "dry sugar", "acid": "acid", "salt": "salt", "gum": "gum"}.get(
        good.role, ""
    )
