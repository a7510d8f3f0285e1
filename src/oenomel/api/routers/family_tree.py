"""The family tree: who descends from whom across drinks, and crossing them."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence
from typing import Annotated

from pydantic import Field

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.core.dilution import Conditions
from oenomel.core.spec import Drink, FamilyName
from oenomel.core.trials.lineage import branch, cross
from oenomel.schemas.base import Entry, RowId
from oenomel.schemas.poured_spec import with_pours_of
from oenomel.schemas.reports.trial_reports import BranchReport, NodeReport, TreeReport
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import plain_spec
from oenomel.services.resolve import resolve
from oenomel.services.trials import kept_trials
from oenomel.services.unreadable import UNREADABLE, read_or_none
from oenomel.store import drinks, lineage
from oenomel.store.lineage import MOST_NODES, NodeRecord

router = room("tree")


class CrossRequest(Entry):
    """Two or three trials to cross, the one that gives the frame first."""

    parents: Annotated[list[RowId], Field(min_length=2, max_length=3)]


@router.get("/tree", responses={422: PROBLEMS["bad"][422]})
def get_tree(conn: Connection, family: FamilyName | None = None) -> TreeReport:
    """The trials in view, the newest where there are very many, and the change on each branch."""
    records = lineage.tree(conn, family or "")
    made = _drinks(conn, records)
    shown = set(made)
    branches = []
    for record in records:
        for parent in record.parents:
            if parent in shown and record.id in shown:
                change = branch(made[record.id], made[parent], Conditions())
                branches.append(BranchReport(parent=parent, child=record.id, change=change.change, effect=change.effect))
    nodes = [NodeReport.model_validate(record) for record in records if record.id in shown]
    return TreeReport(nodes=nodes, branches=branches, more=len(records) == MOST_NODES)


def _drinks(conn: sqlite3.Connection, records: Sequence[NodeRecord]) -> dict[int, Drink]:
    """The drinks of trials by their ids, without those that can't be read."""
    try:
        found = resolve(conn, *[plain_spec(parse_spec(record.spec)) for record in records])
        return {record.id: drink for record, drink in zip(records, found, strict=True)}
    except UNREADABLE:
        each = {record.id: read_or_none(_drink, conn, record.spec) for record in records}
        return {trial_id: drink for trial_id, drink in each.items() if drink is not None}


def _drink(conn: sqlite3.Connection, spec: str) -> Drink:
    (drink,) = resolve(conn, plain_spec(parse_spec(spec)))
    return drink


@router.post("/cross", responses=PROBLEMS["write"])
def cross_trials(body: CrossRequest, conn: Connection) -> SpecFile:
    """A start out of two or three trials: the first gives the frame, the others what fills its slots."""
    kept = kept_trials(conn, [drinks.trial(conn, each) for each in body.parents])
    made = cross([each.drink for each in kept])
    names = [drinks.get(conn, each.record.drink_id).name for each in kept]
    crossed = with_pours_of(kept[0].spec, kept[0].drink, made)
    return crossed.model_copy(update={"name": " × ".join(dict.fromkeys(names))[:200]})
