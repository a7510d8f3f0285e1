"""Bodies and queries of the drinks router."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints

from oenomel.core.spec import FamilyName
from oenomel.schemas.base import Entry, Name, Plain, Report, RowId
from oenomel.schemas.requests.originals_requests import WishEntry
from oenomel.schemas.requests.trial_conditions import MadeEntry
from oenomel.schemas.spec_file import SpecFile

Notes = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=10_000)]


Reason = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=2000)]


class TrialReport(Report):
    """A trial; ``number`` counts within its drink; a ``reference`` widens its family's typical range."""

    id: int
    number: int
    parent_trial_id: int | None
    name: str
    reason: str
    spec: SpecFile
    kept_at: str
    reference: bool


class DraftReport(Report):
    """The draft on the bench, and the trial it is compared with."""

    parent_trial_id: int
    spec: SpecFile
    revision: int
    saved_at: str


class DrinkSummary(Report):
    """A drink in the book, in short; ``latest_notes`` counts the tasting notes of its newest trial."""

    id: int
    name: str
    family: str
    origin: str
    trials: int
    latest_trial: str
    latest_reason: str
    latest_notes: int
    has_draft: bool
    ingredients: list[str]


class DrinkDetail(Report):
    """A drink with its trials, oldest first, and its draft if there is one."""

    id: int
    name: str
    family: str
    origin: str
    notes: str
    trials: list[TrialReport]
    draft: DraftReport | None


class NewDrink(Entry):
    """A new drink: its spec becomes the first trial; ``parents`` are trials of other drinks that it descends from.

    ``wish`` are the criteria of an original; its tastings then teach the aroma pairings.
    """

    name: Name
    spec: SpecFile
    trial_name: Name
    reason: Reason = ""
    parents: Annotated[list[RowId], Field(max_length=3)] = []
    notes: Notes = ""
    wish: WishEntry | None = None


class NewNotes(Entry):
    """Notes about a drink; ``was`` is what the window showed: refused with 409 where they were changed since."""

    notes: Notes
    was: Notes | None = None


class NewName(Entry):
    """New name of a drink."""

    name: Name


class NewTrial(Entry):
    """A trial to save; the draft is compared with it from then on.

    ``parents`` are further trials that it descends from, of any drinks. ``beside`` saves the trial and leaves the draft of another
    window unchanged.
    """

    name: Name
    reason: Reason = ""
    parent_trial_id: RowId
    parents: Annotated[list[RowId], Field(max_length=2)] = []
    spec: SpecFile
    made: MadeEntry = MadeEntry()
    revision: Annotated[int, Field(ge=0, le=2**53)]
    beside: bool = False


class Reference(Entry):
    """Choice whether a trial widens its family's typical range."""

    counts: bool


class DraftEntry(Entry):
    """A draft to save over a revision; 0 where there is none yet."""

    parent_trial_id: RowId
    spec: SpecFile
    revision: Annotated[int, Field(ge=0, le=2**53)]


class BookQuery(Entry):
    """Search of the book: every word of ``q`` in its name, trials, ingredients or notes; a family, a taster, a least score, every pour in
    stock.
    """

    q: Annotated[Plain, Field(max_length=100)] = ""
    family: FamilyName | None = None
    taster: Annotated[Plain, Field(max_length=100)] = ""
    score: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] | None = None
    at_hand: bool = False


class PageQuery(BookQuery):
    """A page of the book: at most ``limit`` drinks older than the drink ``before``."""

    before: RowId | None = None
    limit: Annotated[int, Field(ge=1, le=500)] | None = None


class BookCount(Report):
    """Number of drinks."""

    drinks: int
