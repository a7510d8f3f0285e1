"""The stored event plan computed: its batches, shopping list, and tasks with their times."""

from __future__ import annotations

import sqlite3
from collections import Counter
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from typing import Final

from oenomel.core.batch import Batch, BatchWish, batch_of
from oenomel.core.batch.containers import serves_words
from oenomel.core.batch.corrections import serves_in
from oenomel.core.dilution import Conditions
from oenomel.core.event import ForTheEvening, shopping
from oenomel.core.event.schedule import PlannedTask, is_late, schedule
from oenomel.core.event.shopping import Purchase
from oenomel.core.event.tasks import EveningDrink, ToMake, tasks_for, to_make
from oenomel.core.larder import is_past_shelf_life
from oenomel.core.preparations import KitchenStep
from oenomel.core.spec import Drink
from oenomel.core.wording import capital, counted, listed
from oenomel.errors import DomainError
from oenomel.formats.card.content import day_words
from oenomel.moments import TEN_YEARS, is_moment, moment_of
from oenomel.schemas.preparation_file import PreparationFile
from oenomel.schemas.reports.batch_reports import BoughtReport, EveningDrinkReport, EveningReport, TaskReport
from oenomel.schemas.requests.batch_requests import EveningDrinkEntry, EveningEntry, of_todays_lots
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.services.inventory import crates_of, stock_of
from oenomel.services.open_lots import hours_since, todays_lots
from oenomel.services.readable import read_or_none
from oenomel.services.resolve import resolve
from oenomel.store import batches, clock, drinks, events, ingredients, lots, menu_entries, preparations
from oenomel.store.batches import BatchRecord
from oenomel.store.drinks import TrialRecord

__all__ = ["evening_report", "kept_evening", "poured_trial", "usual_evening"]


USUAL_HOUR: Final = 19


@dataclass(frozen=True)
class _PlannedDrink:
    """A drink of the event with its computed batch and tasks."""

    entry: EveningDrinkEntry
    drink: Drink
    kept: BatchRecord | None
    from_batch: int
    to_make: int
    batch: Batch | None
    fault: str

    @property
    def planned(self) -> EveningDrink:
        """The drink as the schedule takes it."""
        ready = self.kept.name if self.kept is not None and self.from_batch else ""
        of = ForTheEvening(self.drink, self.to_make, self.entry.serves, self.entry.service)
        return EveningDrink(of, self.batch, ready)


def kept_evening(conn: sqlite3.Connection) -> EveningEntry | None:
    """Return the stored settings of the event plan; None where there are none."""
    content = events.get(conn)
    entry = None if content is None else read_or_none(EveningEntry.model_validate_json, content)
    return entry if entry is not None and is_moment(entry.at) else None


def usual_evening() -> EveningEntry:
    """Return a new event plan: today at seven by the local clock, or tomorrow where that is less than an hour away."""
    here = datetime.now().astimezone()
    at = here.replace(hour=USUAL_HOUR, minute=0, second=0, microsecond=0)
    if at < here + timedelta(hours=1):
        at += timedelta(days=1)
    return EveningEntry(name="Tonight", at=at.astimezone(UTC).isoformat(timespec="seconds"))


def poured_trial(conn: sqlite3.Connection, drink_id: int) -> tuple[TrialRecord, SpecFile] | None:
    """Return the trial that a drink's batch is made of, without its day's lots: the newest finished one, else the newest; None where
    there is none.
    """
    finished = next((record for record in drinks.finished(conn) if record.drink_id == drink_id), None)
    trial = finished or drinks.latest_trials(conn, [drink_id]).get(drink_id)
    if trial is None:
        return None
    spec = parse_spec(trial.spec)
    return trial, spec.model_copy(update={"pours": [pour.model_copy(update={"lot": None}) for pour in spec.pours]})


def evening_report(conn: sqlite3.Connection, conditions: Conditions) -> EveningReport:
    """Build the report of the event plan, backwards from its hour."""
    entry = kept_evening(conn)
    if entry is None:
        return EveningReport(
            evening=None,
            state="none",
            told_at=clock.now(),
            headline="",
            warnings=[],
            drinks=[],
            tasks=[],
            bought=[],
            cost=0.0,
            currency=menu_entries.currency(conn),
            before=_before(conn),
        )
    hour, now = moment_of(entry.at), datetime.now(UTC)
    ahead_h = max(0.0, (hour - now).total_seconds() / 3600)
    told_of = [(drink, read_or_none(_placed, conn, drink, conditions)) for drink in entry.drinks]
    placed = [placed_task for _, placed_task in told_of if placed_task is not None]
    lost = len(told_of) - len(placed)
    evening = _with_keys([placed_task.planned for placed_task in placed])
    stock = stock_of(conn, [placed_task.drink for placed_task in placed], ahead_h)
    bought = shopping([evening_drink.of for evening_drink in evening], stock, crates_of(lots.open_lots(conn)), conditions)
    tasks = schedule(tasks_for(evening, _to_make(conn, bought), bought), entry.hands)
    done = events.ticked(conn)
    before_hour = (now - hour).total_seconds() / 60
    reports = [_task(task, hour, before_hour, done=f"task {task.task.key}" in done) for task in tasks]
    lines = [BoughtReport.model_validate(purchase).model_copy(update={"done": f"bought {purchase.key}" in done}) for purchase in bought]
    state = "past" if hour < now else "ahead"
    return EveningReport(
        evening=entry,
        state=state,
        told_at=clock.now(),
        headline=_headline(entry, hour, reports, past=state == "past"),
        warnings=[*_lost_words(lost), *_warnings(conn, placed, reports, hour, ahead_h, past=state == "past")],
        drinks=[_drink(placed_task) for placed_task in placed],
        tasks=reports,
        bought=lines,
        cost=sum(purchase.cost or 0.0 for purchase in bought),
        currency=menu_entries.currency(conn),
    )


def _placed(conn: sqlite3.Connection, entry: EveningDrinkEntry, conditions: Conditions) -> _PlannedDrink | None:
    poured = poured_trial(conn, entry.drink_id)
    if poured is None:
        return None
    named = poured[1].model_copy(update={"name": drinks.get(conn, entry.drink_id).name})
    (drink,) = resolve(conn, of_todays_lots(named))
    kept = None
    if entry.batch_id is not None:
        kept = next((record for record in batches.open_batches(conn) if record.id == entry.batch_id), None)
    from_batch = 0 if kept is None else min(entry.serves, serves_in(kept.left_ml, kept.serve_ml))
    to_make = entry.serves - from_batch
    batch, fault = None, ""
    if entry.service and to_make:
        try:
            batch = batch_of(drink, BatchWish(entry.service, serves=to_make, container_ml=entry.container_ml), conditions)
        except DomainError as error:
            fault = f"{drink.name}: {error}."
    return _PlannedDrink(entry, drink, kept, from_batch, to_make, batch, fault)


def _before(conn: sqlite3.Connection) -> str:
    content = events.forgotten(conn) if events.get(conn) is None else None
    entry = None if content is None else read_or_none(EveningEntry.model_validate_json, content)
    return "" if entry is None else entry.name


def _with_keys(evening: list[EveningDrink]) -> list[EveningDrink]:
    """Return drinks of the same name with numbers, so that no two tasks have one key."""
    seen: Counter[str] = Counter()
    keyed = []
    for evening_drink in evening:
        name = evening_drink.of.drink.name
        seen[name] += 1
        keyed.append(evening_drink if seen[name] == 1 else replace(evening_drink, key=f"{name} ({seen[name]})"))
    return keyed


def _to_make(conn: sqlite3.Connection, bought: tuple[Purchase, ...]) -> list[ToMake]:
    wanted = {purchase.slug: purchase for purchase in bought if purchase.source == "stillroom"}
    kept = [preparation for preparation in preparations.all_preparations(conn) if preparation.slug in wanted] if wanted else []
    read = {record.slug: read_or_none(PreparationFile.model_validate_json, record.content) for record in kept}
    files = {slug: file for slug, file in read.items() if file is not None}
    steps = {slug: [KitchenStep(step.do, step.minutes) for step in file.steps] for slug, file in files.items()}
    return [to_make(ingredients.get(conn, slug), wanted[slug].ml, of) for slug, of in steps.items()]


def _task(planned: PlannedTask, hour: datetime, before_hour: float, *, done: bool) -> TaskReport:
    def at(minutes: float) -> str:
        return (hour + timedelta(minutes=minutes)).isoformat(timespec="seconds")

    return TaskReport(
        key=planned.task.key,
        words=planned.task.words,
        why=planned.task.why,
        about=planned.task.about,
        begins_at=at(planned.begins),
        ends_at=at(planned.ends),
        ready_at=at(planned.ready),
        minutes=planned.task.minutes,
        hand=planned.hand,
        done=done,
        late=is_late(planned, before_hour, done=done),
    )


def _lost_words(many: int) -> list[str]:
    if not many:
        return []
    return [f"{'A drink' if many == 1 else f'{many} drinks'} of this event can't be read: remove it, or add it again."]


def _headline(entry: EveningEntry, hour: datetime, tasks: list[TaskReport], *, past: bool) -> str:
    when = f"{_clock(hour)} on {day_words(hour.astimezone().date())}"
    if past:
        return f"This was at {when}. Start a new event."
    serves = sum(drink.serves for drink in entry.drinks)
    if not tasks:
        return f"{when}. Add drinks to get the prep list."
    reports = [task for task in tasks if not task.done]
    if not reports:
        return f"{counted(serves, 'serve')} at {when}. All done."
    late = sum(report.late for report in reports)
    first = moment_of(min(report.begins_at for report in reports))
    tasks_words = counted(len(tasks), "task")
    rest = f"{len(reports)} of {tasks_words} left" if len(reports) < len(tasks) else tasks_words
    behind = f", {late} late" if late else f", next at {_clock(first)}"
    return f"{counted(serves, 'serve')} at {when}. {rest}{behind}."


def _warnings(
    conn: sqlite3.Connection, placed: list[_PlannedDrink], tasks: list[TaskReport], hour: datetime, ahead_h: float, *, past: bool
) -> list[str]:
    faults = [drink.fault for drink in placed if drink.fault]
    faults += [f"{drink.drink.name}: {drink.batch.fit.words}" for drink in placed if drink.batch is not None and not drink.batch.fit.fits]
    if past:
        return faults
    now = datetime.now(UTC)
    behind = [task for task in tasks if not task.done and moment_of(task.begins_at) < now]
    if behind:
        first = min(behind, key=lambda each: each.begins_at)
        began = moment_of(first.begins_at)
        faults.append(
            f"Late: “{first.words}” should have started at {_clock(began)}. Add staff, chill in ice water, or make more to order."
        )
    for placed_task in placed:
        if placed_task.kept is not None and placed_task.from_batch and moment_of(placed_task.kept.use_by, TEN_YEARS) < hour:
            faults.append(
                f"{placed_task.kept.name} is good until {_clock(moment_of(placed_task.kept.use_by, TEN_YEARS))}: too old for this event."
            )
        if placed_task.kept is not None and placed_task.from_batch and placed_task.to_make:
            faults.append(
                f"{placed_task.kept.name} gives {serves_words(placed_task.from_batch)} of {placed_task.entry.serves}. "
                f"{placed_task.to_make} more to make."
            )
    slugs = {pour.ingredient.slug for drink in placed for pour in drink.drink.pours if drink.to_make}
    too_old = []
    for record, lot in todays_lots(conn, slugs).values():
        hours = hours_since(record.made_at) + ahead_h
        if is_past_shelf_life(lot.ingredient, hours):
            what, name = lot.ingredient.in_sentence, record.name
            too_old.append(f"{what} “{name}”")
    if too_old:
        faults.append(f"{capital(listed(too_old))} will be too old, so fresh is planned.")
    return faults


def _drink(drink: _PlannedDrink) -> EveningDrinkReport:
    parts = []
    if drink.from_batch and drink.kept is not None:
        parts.append(f"{drink.from_batch} from {drink.kept.name}")
    if drink.to_make:
        mixed = f"to mix, {drink.batch.total_ml:.0f} ml" if drink.batch is not None else "made to order"
        parts.append(f"{drink.to_make} {mixed}")
    return EveningDrinkReport(
        drink_id=drink.entry.drink_id,
        name=drink.drink.name,
        serves=drink.entry.serves,
        service=drink.entry.service,
        from_batch=drink.from_batch,
        to_make=drink.to_make,
        batch_id=None if drink.kept is None else drink.kept.id,
        words=capital(listed(parts)),
    )


def _clock(time: datetime) -> str:
    return f"{time.astimezone():%H:%M}"
