"""A batch and an event in a request or on the command line."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field, StringConstraints

from oenomel.core.batch import BatchWish
from oenomel.core.batch.batchable import Service
from oenomel.core.batch.containers import Cold
from oenomel.core.larder import SlotName
from oenomel.errors import SpecError
from oenomel.schemas.base import Entry, Name, Plain, RowId
from oenomel.schemas.spec_file import IngredientEntry, PourEntry, SpecFile
from oenomel.schemas.spec_to_drink import TODAYS

__all__ = [
    "AdditionEntry", "BatchEntry", "BatchWishEntry", "EveningDrinkEntry", "EveningEntry", "PouredEntry", "Who", "of_todays_lots",
    "poured_spec", "wish_of",
]  # fmt: skip

Ml = Annotated[float, Field(allow_inf_nan=False, ge=-1e9, le=1e9)]
Who = Annotated[Plain, StringConstraints(strip_whitespace=True, max_length=100)]
Time = Annotated[str, Field(max_length=40)]


class BatchWishEntry(Entry):
    """Request for a batch: how it is served, and one of serves, a container, or an ingredient to use up (``use_up``, a slug, with its
    ml); see `core.batch.batch.BatchWish`. ``serves`` with ``container_ml``: that many, into that container.
    """

    service: Service
    serves: Annotated[int, Field(ge=-(2**53), le=2**53)] | None = None
    container_ml: Ml | None = None
    use_up: Annotated[Plain, Field(min_length=1, max_length=200)] | None = None
    use_up_ml: Ml | None = None
    grid: Annotated[float, Field(allow_inf_nan=False, ge=-1e6, le=1e6)] = 5.0
    cold: Cold | None = None
    stand_in: bool = False


class BatchEntry(BatchWishEntry):
    """A batch of a drink; ``today``: with today's lots where its pours name none."""

    spec: SpecFile
    today: bool = False

    @property
    def of_its_lots(self) -> SpecFile:
        """The drink with its lots."""
        return of_todays_lots(self.spec) if self.today else self.spec


class PouredEntry(Entry):
    """Amount that really went into a batch: ingredient, ml, and lot."""

    ingredient: IngredientEntry
    ml: Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)]
    slot: SlotName = "other"
    lot: Annotated[Plain, Field(max_length=200)] | None = None


class AdditionEntry(Entry):
    """Addition to a batch, with the tasting or the reading behind it."""

    poured: Annotated[list[PouredEntry], Field(min_length=1, max_length=60)]
    words: Annotated[Plain, Field(max_length=500)] = ""


class EveningDrinkEntry(Entry):
    """A drink of an event: how many serves, from which batch (empty: one by one), into which container."""

    drink_id: RowId
    serves: Annotated[int, Field(ge=1, le=5000)]
    service: Literal["", "ice", "chilled", "freezer", "shaken", "bubbles"] = ""
    batch_id: RowId | None = None
    container_ml: Annotated[float, Field(gt=0, le=100_000, allow_inf_nan=False)] | None = None


class EveningEntry(Entry):
    """An event: when the first guest comes, how many pairs of hands there are, and its drinks."""

    name: Name
    at: Time
    hands: Annotated[int, Field(ge=1, le=12)] = 1
    drinks: Annotated[list[EveningDrinkEntry], Field(max_length=40)] = []


def of_todays_lots(spec: SpecFile) -> SpecFile:
    """Return the drink with today's lots, where its pours name none."""
    pours = [
        pour.model_copy(update={"lot": TODAYS}) if isinstance(pour.ingredient, str) and pour.lot is None else pour for pour in spec.pours
    ]
    return spec.model_copy(update={"pours": pours})


def wish_of(entry: BatchWishEntry) -> BatchWish:
    """Return the core's request for a batch; raises SpecError without a size."""
    given = [name for name in ("serves", "container_ml", "use_up") if getattr(entry, name) is not None]
    if not given:
        raise SpecError("serves", "choose a number of serves, a container, or an ingredient to use up")
    if entry.use_up is not None and len(given) > 1:
        raise SpecError("use_up", "an ingredient to use up sets the amount: leave out serves and container")
    if (entry.use_up is None) != (entry.use_up_ml is None):
        raise SpecError("use_up_ml", "an ingredient to use up needs its slug and ml")
    use_up = None if entry.use_up is None or entry.use_up_ml is None else (entry.use_up, entry.use_up_ml)
    return BatchWish(entry.service, entry.serves, entry.container_ml, use_up, entry.grid, entry.cold, entry.stand_in)


def poured_spec(poured: list[PouredEntry]) -> SpecFile:
    """Return a spec that pours a millilitre of each ingredient of a batch, because a batch's amounts can exceed a drink's."""
    entries = [PourEntry(ingredient=entry.ingredient, amount=1, unit="ml", slot=entry.slot, lot=entry.lot) for entry in poured]
    return SpecFile(format="oenomel/spec", version=1, name="batch", family="open", pours=entries)
