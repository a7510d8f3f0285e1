"""Cards as HTML: a fragment for the app, or one self-contained file."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache
from importlib import resources

from jinja2 import Environment, PackageLoader, StrictUndefined
from markupsafe import Markup

from oenomel.core.forecast import Forecast
from oenomel.core.method import MethodOptions
from oenomel.formats.card.content import Card, card_of
from oenomel.formats.card.list_sheet import ListSheet
from oenomel.schemas.format_names import Layout
from oenomel.schemas.spec_file import SpecFile

__all__ = ["card_file", "cards_html", "list_html", "page_html"]


@cache
def _templates() -> Environment:
    loader = PackageLoader("oenomel.formats.card")
    return Environment(loader=loader, autoescape=True, undefined=StrictUndefined, trim_blocks=True, lstrip_blocks=True)


def cards_html(cards: Sequence[Card], layout: Layout = "card") -> str:
    """Return cards side by side, as a fragment."""
    return _templates().get_template("cards.html.jinja").render(cards=cards, layout=layout, sheet=None)


def list_html(sheet: ListSheet) -> str:
    """Return a list on a sheet, as a fragment."""
    return _templates().get_template("cards.html.jinja").render(cards=(), layout="card", sheet=sheet)


def card_file(spec: SpecFile, forecast: Forecast, dated: str, remember: str = "") -> str:
    """Return the card of a spec as one self-contained file; ``forecast`` is the spec's, ``dated`` is printed at its foot."""
    pour_names = [pour.said for pour in spec.pours]
    card = card_of(forecast, MethodOptions(ounce_ml=spec.ounce_ml), own_amounts=pour_names, remember=remember, dated=dated)
    return page_html(cards_html([card]), spec.name)


def page_html(fragment: str, title: str) -> str:
    """Return a fragment as one self-contained file."""
    style = (resources.files("oenomel.formats.card") / "templates" / "card.css").read_text(encoding="utf-8")
    page = _templates().get_template("page.html.jinja")
    return page.render(fragment=Markup(fragment), style=Markup(style), title=title)  # our own file, and a template's escaped text
