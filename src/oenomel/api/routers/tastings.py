"""Tasting: sheets of trials, parts tasted alone, what to try next, and palates."""

from __future__ import annotations

from http import HTTPStatus
from typing import Annotated

from fastapi import Response
from pydantic import Field, StringConstraints

from oenomel.api.deps import Connection, HouseConditions
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.routers.trials import sheet_report
from oenomel.api.search_queue import Search
from oenomel.core.balance import profile_of_made
from oenomel.core.families import home_for
from oenomel.core.larder import aromas
from oenomel.core.trials.next_trial import may_join, proposals
from oenomel.core.trials.palate import learn, palate_axes
from oenomel.core.trials.tasting import verdict_words
from oenomel.schemas.base import Entry, Plain, Report, RowId
from oenomel.schemas.reports.trial_reports import (
    NextReport,
    PalateReport,
    SheetReport,
    next_report,
)
from oenomel.schemas.requests.rebalance_requests import Grid
from oenomel.schemas.requests.tasting_requests import SheetEntry, Taster, WordsEntry, verdict_of
from oenomel.services.resolve import homes_for
from oenomel.services.sensory import tongue_of
from oenomel.services.trials import kept_trials, palate_of, sheets_of, tasted_of
from oenomel.store import drinks, ingredients, tastings
from oenomel.store.database import transaction
from oenomel.store.stock import in_stock
from oenomel.store.tastings import PartTastingRecord, TastingRecord

router = room("tasting")


class FlightEntry(Entry):
    """Sheets to keep together: all of them, or none."""

    sheets: Annotated[list[SheetEntry], Field(min_length=1, max_length=40)]


class FlightReport(Report):
    """The sheets as kept."""

    sheets: list[SheetReport]


class NextRequest(Entry):
    """For whom: a taster whose palate counts, an empty name for the house's, or nothing; and the jigger's smallest step, ml."""

    palate: Annotated[Plain, Field(max_length=100)] | None = None
    grid: Grid = 2.5


class TasterReport(Report):
    """Who has tasted: how many sheets, and when last."""

    taster: str
    sheets: int
    last: str


class IngredientNoteEntry(Entry):
    """A bottle or a juice tasted alone. With ``aroma`` or ``impression`` it amends the ingredient: weights 1 to 3 by tag."""

    taster: Taster
    words: WordsEntry = WordsEntry()
    aroma: Annotated[dict[str, Annotated[int, Field(ge=1, le=3)]], Field(max_length=8)] | None = None
    impression: Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=200)] | None = None


class IngredientNoteReport(Report):
    """What a part tasted of alone."""

    id: int
    taster: str
    tasted_at: str
    words: WordsEntry
    amended: bool


class AromaReport(Report):
    """A word of the aroma list, and its group."""

    tag: str
    group: str


@router.get("/aromas")
def list_aromas() -> list[AromaReport]:
    """The controlled list of aromas."""
    return [AromaReport(tag=tag, group=aroma.group) for tag, aroma in aromas().items()]


@router.post("/tastings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def keep_sheets(body: FlightEntry, conn: Connection) -> FlightReport:
    """Keeps tasting sheets, all of them or none; of a trial out of view too, with which it is found again."""
    records = [
        TastingRecord(**{**sheet.model_dump(exclude={"words"}), "words": sheet.words.model_dump_json(exclude_defaults=True)})
        for sheet in body.sheets
    ]
    with transaction(conn):
        kept = [tastings.add(conn, record) for record in records]
        found = {
            each.id: each for trial in {r.trial_id for r in records} for each in tastings.of_drink(conn, drinks.trial(conn, trial).drink_id)
        }
    return FlightReport(sheets=[sheet_report(found[each]) for each in kept])


@router.delete("/tastings/{tasting_id}", status_code=HTTPStatus.NO_CONTENT, responses=PROBLEMS["missing"])
def take_sheet_back(tasting_id: RowId, conn: Connection) -> Response:
    """Takes a sheet back."""
    with transaction(conn):
        tastings.remove(conn, tasting_id)
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.post("/drinks/{drink_id}/trials/{trial_id}/next", responses=PROBLEMS["write"])
async def propose_next(
    drink_id: RowId, trial_id: RowId, body: NextRequest, conn: Connection, conditions: HouseConditions, search: Search
) -> NextReport:
    """Two or three trials to try next after what was said of this one."""

    def proposed() -> NextReport:
        drinks.get_trial(conn, drink_id, trial_id)
        kept = {each.record.id: each for each in kept_trials(conn, drinks.trials(conn, drink_id))}
        present = kept[trial_id]
        sheets = sheets_of(tastings.of_drink(conn, drink_id), {key: each.drink for key, each in kept.items()})
        palate = None if body.palate is None else palate_of(conn, body.palate, but=drink_id)
        larder = ingredients.larder(conn)
        homes = homes_for(conn, present.drink.family)
        home = home_for(present.drink, profile_of_made(present.drink, conditions), homes)
        joining = may_join(larder, in_stock(conn))
        standing, found = proposals(
            sheets, present.drink, trial_id, joining, home, palate, conditions, body.grid, search.budget, tongue_of(conn, body.palate)
        )
        figures = [profile_of_made(each.drink, conditions) for each in found]
        return next_report(present.spec, present.drink, standing, found, figures)

    return await search.step(proposed)


@router.get("/tasters")
def list_tasters(conn: Connection) -> list[TasterReport]:
    """Who has tasted in this house."""
    return [TasterReport(taster=name, sheets=sheets, last=last) for name, sheets, last in tastings.tasters(conn)]


@router.get("/palate", responses={422: PROBLEMS["bad"][422]})
def get_palate(conn: Connection, taster: Annotated[Plain, Field(max_length=100)] = "") -> PalateReport:
    """A taster's palate, or the house's for an empty name, and what it was learnt from."""
    tasted = tasted_of(conn, taster)
    why = [
        f"{trial.name} ({record.tasted_at[:10]}{'' if taster else f', {record.taster}'}): {said or 'only words'}."
        for record, trial, _ in tasted
        for said in [verdict_words(verdict_of(sheet_report(record)))]
    ]
    if len(tasted) >= tastings.MOST_SHEETS:
        why.append(f"Only the newest {tastings.MOST_SHEETS} sheets are counted.")
    palate = learn([each for _, _, each in tasted], tongue=tongue_of(conn, taster))
    return PalateReport(taster=taster, sheets=palate.sheets, sessions=palate.sessions, axes=list(palate_axes(palate)), why=why)


@router.delete("/palate", status_code=HTTPStatus.NO_CONTENT, responses={422: PROBLEMS["bad"][422]})
def reset_palate(conn: Connection, taster: Annotated[Plain, Field(max_length=100)] = "") -> Response:
    """Learns a palate anew from now on; its sheets stay with their trials."""
    with transaction(conn):
        tastings.reset_palate(conn, taster)
    return Response(status_code=HTTPStatus.NO_CONTENT)


@router.get("/ingredients/{slug}/tastings", responses=PROBLEMS["missing"])
def list_part_tastings(slug: str, conn: Connection) -> list[IngredientNoteReport]:
    """What an ingredient tasted of alone, oldest first."""
    ingredients.get(conn, slug)
    return [
        IngredientNoteReport(
            id=each.id, taster=each.taster, tasted_at=each.tasted_at, words=WordsEntry.model_validate_json(each.words), amended=each.amended
        )
        for each in tastings.of_part(conn, slug)
    ]


@router.post("/ingredients/{slug}/tastings", status_code=HTTPStatus.CREATED, responses=PROBLEMS["write"])
def taste_part(slug: str, body: IngredientNoteEntry, conn: Connection) -> list[IngredientNoteReport]:
    """Keeps what an ingredient tasted of alone, and amends its aroma and impression where that is told."""
    amends = body.aroma is not None or body.impression is not None
    with transaction(conn):
        present = ingredients.get(conn, slug)
        tastings.add_part(conn, PartTastingRecord(slug, body.taster, body.words.model_dump_json(exclude_defaults=True), amends))
        if amends:
            aroma = present.aroma if body.aroma is None else body.aroma
            ingredients.amend(conn, slug, aroma, present.impression if body.impression is None else body.impression)
    return list_part_tastings(slug, conn)
