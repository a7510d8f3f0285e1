"""Maintain the larder: correct and retire ingredients, export and import them as a table."""

from __future__ import annotations

import sqlite3
from collections import Counter
from dataclasses import asdict

from oenomel.core.larder import Ingredient, Shelved, SourcedValue
from oenomel.core.larder.gaps import gaps_of, set_right
from oenomel.core.larder.label import Label, bottle_from
from oenomel.core.wording import listed
from oenomel.errors import DomainError, OenomelError, SpecError
from oenomel.formats.larder_table import LarderRow, read_larder_table, write_larder_table
from oenomel.schemas.routes.ingredients_models import ValueReport
from oenomel.schemas.routes.larder_models import (
    HouseValues,
    LarderDetail,
    LarderLine,
    RetiredEntry,
    SetRightEntry,
    TableEntry,
    TableReport,
    UsedIn,
)
from oenomel.services.ingredients import ingredient_detail
from oenomel.store import ingredients, lots, menu_entries, shelf
from oenomel.store.database import transaction

SAME_WITHIN = 1e-9


def list_larder(conn: sqlite3.Connection) -> list[LarderLine]:
    """List every ingredient with its main values, by name."""
    house, gone, shelved = ingredients.house_values(conn), ingredients.retired(conn), shelf.all_shelved(conn)
    pars, counted = menu_entries.pars(conn), _lots(conn)
    return [_line(ingredient, house, gone, shelved, pars, counted) for ingredient in ingredients.larder(conn).values()]


def write_table(conn: sqlite3.Connection) -> str:
    """Export all ingredients as a table (CSV)."""
    return write_larder_table(
        ingredients.larder(conn).values(), shelf.all_shelved(conn), menu_entries.pars(conn), ingredients.retired(conn)
    )


def read_table(conn: sqlite3.Connection, body: TableEntry) -> TableReport:
    """Import a table of ingredients, all of it or nothing, and return what changed."""
    rows = read_larder_table(body.text)
    with transaction(conn):
        return _taken_in(conn, rows)


def get_larder_detail(conn: sqlite3.Connection, slug: str) -> LarderDetail:
    """Return one ingredient with every value and its source."""
    return _detail(conn, slug)


def set_values_right(conn: sqlite3.Connection, slug: str, body: SetRightEntry) -> LarderDetail:
    """Override some of an ingredient's values by the bar's own."""
    new_values = body.model_dump(exclude_none=True, exclude={"source"})
    if not new_values:
        raise DomainError("enter at least one figure")
    with transaction(conn):
        values = set_right(ingredients.get(conn, slug), new_values, body.source)
        ingredients.set_right(conn, slug, values.values())
        return _detail(conn, slug)


def put_house_values(conn: sqlite3.Connection, slug: str, body: HouseValues) -> LarderDetail:
    """Replace all of the bar's own values for an ingredient by these; used to undo."""
    with transaction(conn):
        before = ingredients.house_values(conn).get(slug, {})
        ingredients.set_right(conn, slug, [SourcedValue(**value.model_dump()) for value in body.values], back=before)
        return _detail(conn, slug)


def retire_ingredient(conn: sqlite3.Connection, slug: str, body: RetiredEntry) -> LarderDetail:
    """Stop offering an ingredient, or offer it again; trials keep it."""
    with transaction(conn):
        ingredients.retire(conn, slug, body.retired)
        return _detail(conn, slug)


def _lots(conn: sqlite3.Connection) -> Counter[str]:
    return Counter(lot.slug for lot in lots.open_lots(conn))


def _line(
    ingredient: Ingredient,
    house: dict[str, dict[str, SourcedValue]],
    gone: frozenset[str],
    shelved: dict[str, Shelved],
    pars: dict[str, float],
    counted: dict[str, int],
) -> LarderLine:
    standing = shelved.get(ingredient.slug)
    return LarderLine(
        **{name: getattr(ingredient, name) for name in ("slug", "name", "kind", "origin")},
        **{name: getattr(ingredient.composition, name) for name in ("abv", "sugar", "acid")},
        gaps=gaps_of(ingredient),
        changed=sorted(house.get(ingredient.slug, {})),
        retired=ingredient.slug in gone,
        state=standing.state if standing else "",
        price_per_litre=ingredient.label("price_per_litre"),
        keeps_days=ingredient.label("keeps_days"),
        par_ml=pars.get(ingredient.slug),
        lots=counted.get(ingredient.slug, 0),
    )


def _detail(conn: sqlite3.Connection, slug: str) -> LarderDetail:
    ingredient = ingredients.get(conn, slug)
    house = ingredients.house_values(conn)
    line = _line(ingredient, house, ingredients.retired(conn), shelf.all_shelved(conn), menu_entries.pars(conn), _lots(conn))
    return LarderDetail(
        ingredient=ingredient_detail(ingredient),
        line=line,
        house_values=[ValueReport.model_validate(asdict(sourced_value)) for sourced_value in house.get(slug, {}).values()],
        used_in=[UsedIn(drink_id=drink_id, drink=name) for drink_id, name in ingredients.poured_in(conn, slug)],
    )


def _taken_in(conn: sqlite3.Connection, rows: list[LarderRow]) -> TableReport:
    added, changed, same = [], [], 0
    for row in rows:
        try:
            what = _take_row(conn, row)
        except SpecError:
            raise
        except OenomelError as error:
            raise SpecError(f"line {row.line}", str(error)) from error
        if what == "added":
            added.append(row.name)
        elif what:
            changed.append(f"{row.name}: {what}")
        else:
            same += 1
    parts = [f"{len(added)} added" * bool(added), f"{len(changed)} changed" * bool(changed), f"{same} the same" * bool(same)]
    contents = listed([part for part in parts if part]) or "nothing in it"
    return TableReport(added=added, changed=changed, same=same, words=f"{contents}.")


def _take_row(conn: sqlite3.Connection, row: LarderRow) -> str:
    """Describe what a row changed; "added" for a new ingredient, empty for none."""
    known = ingredients.some(conn, [row.slug]).get(row.slug) if row.slug else None
    if known is None:
        _add_row(conn, row)
        return "added"
    composition, changes = known.composition, []
    now = {"abv": composition.abv, "sugar": composition.sugar, "acid": composition.acid, "density": composition.density_g_per_ml}
    figures = {
        name: row.figures[name]
        for name in now
        if name in row.figures and abs(row.figures[name] - now[name]) > SAME_WITHIN * max(now[name], 1)
    }
    keeps = row.figures.get("keeps_days")
    if keeps is not None and keeps != known.label("keeps_days"):
        figures["keeps_days"] = keeps
    if figures:
        ingredients.set_right(conn, known.slug, set_right(known, figures, "a table of the house").values())
        changes += [name.replace("_", " ") for name in figures]
    changes += _save_standing(conn, row, known)
    return listed(changes)


def _add_row(conn: sqlite3.Connection, row: LarderRow) -> None:
    if not row.kind:
        raise SpecError(f"line {row.line}", f'"{row.name}" isn\'t an ingredient yet: give its kind to add it')
    figures = row.figures
    label = Label(row.name, row.kind, figures.get("abv"), figures.get("sugar"), figures.get("acid"))  # type: ignore[arg-type]  # checked in reading
    bottle = ingredients.add(conn, bottle_from(label, ingredients.larder(conn).values()))
    _save_standing(conn, row, bottle)


def _save_standing(conn: sqlite3.Connection, row: LarderRow, known: Ingredient) -> list[str]:
    """Save the row's shelf state, price, par and retirement, and describe the changes."""
    changes, shelved = [], shelf.all_shelved(conn).get(known.slug)
    price = row.figures.get("price_per_litre")
    if price == 0:
        raise DomainError("a price can't be 0: leave the cell empty if you don't know it")
    was = shelved.price_per_litre if shelved else known.label("price_per_litre")
    state = row.state or (shelved.state if shelved else "at hand" if price is not None and price != was else "")
    if state and (shelved is None or state != shelved.state or (price is not None and price != was)):
        shelf.put(conn, Shelved(known.slug, state, price if price is not None else was))  # type: ignore[arg-type]  # checked in reading
        changes.append("stock")
    par = row.figures.get("par_ml")
    if par is not None and par != menu_entries.pars(conn).get(known.slug):
        menu_entries.put_par(conn, known.slug, par)
        changes.append("par")
    if row.retired is not None and row.retired != (known.slug in ingredients.retired(conn)):
        ingredients.retire(conn, known.slug, row.retired)
        changes.append("retired" if row.retired else "shown again")
    return changes
