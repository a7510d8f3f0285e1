"""Original drinks as JSON."""

from __future__ import annotations

from oenomel.core.glass import air_in, swatch
from oenomel.core.method import amount_words
from oenomel.core.method.amount_words import counted_words
from oenomel.core.originals import KinshipTable
from oenomel.core.originals.aroma_pairings import groups
from oenomel.core.originals.menu_search import Menu
from oenomel.core.originals.result import Original
from oenomel.core.originals.search import Selection
from oenomel.core.spec import Pour
from oenomel.schemas.base import Report
from oenomel.schemas.reports.forecast_reports import AppearanceReport, appearance_report
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import spec_as_poured

__all__ = [
    "HandfulReport",
    "KinshipReport",
    "MenuReport",
    "OriginalReport",
    "handful_report",
    "kinship_report",
    "menu_report",
    "original_report",
]


class NearestReport(Report):
    """The nearest drink of the book: name, id, distance (0 equal, 1 nothing in common), and differences."""

    name: str
    drink_id: int
    distance: float
    differs: str


class OriginalPourReport(Report):
    """Ingredient in one role of a new drink."""

    part: str
    slug: str
    name: str


class OriginalReport(Report):
    """An original: its spec with a suggested name, its figures, and why it works.

    ``parts`` gives the ingredient of each role; ``pours`` are the amounts in words; ``sugar`` and ``acid`` in g per 100 ml.
    """

    spec: SpecFile
    distance_steps: float
    kinship: float
    novelty: float
    nearest: NearestReport | None
    reasons: list[str]
    parts: list[OriginalPourReport]
    pours: list[str]
    volume_ml: float
    abv: float
    sugar: float
    acid: float
    standard_drinks: dict[str, float]
    cost: float | None
    colour: str
    sight: AppearanceReport | None


class HandfulReport(Report):
    """Originals found so far, best first; the numbers of combinations in all, drawn and with amounts; ``done`` at the end."""

    originals: list[OriginalReport]
    combinations: int
    looked_at: int
    poured: int
    notes: list[str]
    done: bool


class MenuReport(Report):
    """A menu of originals, a drink for each place in order, with notes on what they share."""

    drinks: list[OriginalReport]
    notes: list[str]


class PairReport(Report):
    """A pair of aroma groups: shipped value, the bar's own, what tastings taught (a log-ratio), and the resulting value."""

    one: str
    other: str
    shipped: float
    own: float | None
    learnt: float | None
    value: float


class KinshipReport(Report):
    """The table of aroma pairings: groups, pairs, and the number of sheets it has learnt from."""

    groups: list[str]
    pairs: list[PairReport]
    sheets: int


def original_report(original: Original) -> OriginalReport:
    """Build the report of an original."""
    drink, served, nearest = original.drink, original.forecast.served, original.nearest
    names = {pour.ingredient.slug: pour.ingredient.name for pour in drink.pours}
    return OriginalReport(
        spec=spec_as_poured(drink),
        distance_steps=original.distance_steps,
        kinship=original.kinship,
        novelty=original.novelty,
        nearest=None
        if nearest is None
        else NearestReport(name=nearest.name, drink_id=nearest.id, distance=original.novelty, differs=original.differs),
        reasons=list(original.reasons),
        parts=[OriginalPourReport(part=part, slug=slug, name=names[slug]) for part, slug in original.parts.items() if slug in names],
        pours=[_in_words(pour) for pour in drink.pours if pour.stage not in ("rim", "garnish")],
        volume_ml=served.volume_ml,
        abv=served.abv,
        sugar=served.sugar,
        acid=served.acid,
        standard_drinks=dict(served.standard_drinks),
        cost=original.forecast.cost,
        colour=swatch(drink.pours, served.volume_ml, air=air_in(drink)),
        sight=appearance_report(original.forecast.appearance),
    )


def _in_words(pour: Pour) -> str:
    if pour.unit in ("piece", "leaf") and pour.amount is not None:
        return counted_words(pour, pour.amount)
    return f"{amount_words(pour)} {pour.ingredient.in_sentence}"


def handful_report(selection: Selection) -> HandfulReport:
    """Build the report of a handful."""
    return HandfulReport(
        originals=[original_report(original) for original in selection.originals],
        combinations=selection.combinations,
        looked_at=selection.looked_at,
        poured=selection.poured,
        notes=list(selection.notes),
        done=selection.done,
    )


def menu_report(menu: Menu) -> MenuReport:
    """Build the report of a menu."""
    return MenuReport(drinks=[original_report(drink) for drink in menu.drinks], notes=list(menu.notes))


def kinship_report(table: KinshipTable) -> KinshipReport:
    """Build the report of the pairings, each pair once."""
    names = groups()
    pairs = [frozenset((one, other)) for index, one in enumerate(names) for other in names[index:]]
    return KinshipReport(
        groups=list(names),
        pairs=[
            PairReport(
                one=min(pair, key=names.index),
                other=max(pair, key=names.index),
                shipped=table.shipped(pair),
                own=table.own.get(pair),
                learnt=table.learnt.get(pair),
                value=table.value(pair),
            )
            for pair in pairs
        ],
        sheets=len(table.likings),
    )
