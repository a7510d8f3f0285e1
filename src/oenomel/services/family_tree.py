"""The family tree: which trial descends from which, across drinks, and how two are crossed."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence

from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink, FamilyName
from oenomel.core.trials.lineage import branch, cross
from oenomel.schemas.poured_spec import with_pours_of
from oenomel.schemas.reports.trial_reports import BranchReport, NodeReport, TreeReport
from oenomel.schemas.routes.family_tree_models import CrossRequest
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.readable import UNREADABLE, read_or_none
from oenomel.services.resolve import resolve
from oenomel.services.stored_trials import kept_trials
from oenomel.store import drinks, lineage
from oenomel.store.lineage import MOST_NODES, NodeRecord


def get_tree(conn: sqlite3.Connection, family: FamilyName | None = None) -> TreeReport:
    """Return the trials in view, the newest where there are very many, with the change on each branch."""
    records = lineage.tree(conn, family or "")
    drink_of = _drinks(conn, records)
    shown = set(drink_of)
    branches = []
    for record in records:
        for parent in record.parents:
            if parent in shown and record.id in shown:
                change = branch(drink_of[record.id], drink_of[parent], Conditions())
                branches.append(BranchReport(parent=parent, child=record.id, change=change.change, effect=change.effect))
    nodes = [NodeReport.model_validate(record) for record in records if record.id in shown]
    return TreeReport(nodes=nodes, branches=branches, more=len(records) == MOST_NODES)


def cross_trials(conn: sqlite3.Connection, body: CrossRequest) -> SpecFile:
    """Cross two or three trials: the first gives the frame, the others the contents of its slots."""
    kept = kept_trials(conn, [drinks.trial(conn, parent) for parent in body.parents])
    drink = cross([trial.drink for trial in kept])
    names = [drinks.get(conn, trial.record.drink_id).name for trial in kept]
    crossed = with_pours_of(kept[0].spec, kept[0].drink, drink)
    return crossed.model_copy(update={"name": " × ".join(dict.fromkeys(names))[:200]})


def _drinks(conn: sqlite3.Connection, records: Sequence[NodeRecord]) -> dict[int, Drink]:
    """Return the drinks of trials by id, without the unreadable ones."""
    try:
        resolved = resolve(conn, *[plain_spec(parse_spec(record.spec)) for record in records])
        return {record.id: drink for record, drink in zip(records, resolved, strict=True)}
    except UNREADABLE:
        drink_of = {record.id: read_or_none(_drink, conn, record.spec) for record in records}
        return {trial_id: drink for trial_id, drink in drink_of.items() if drink is not None}


def _drink(conn: sqlite3.Connection, spec: str) -> Drink:
    (drink,) = resolve(conn, plain_spec(parse_spec(spec)))
    return drink
