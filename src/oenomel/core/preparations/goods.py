"""Dry and fresh goods of preparations: sugar, acids, salt, fruit, greens and spices, per 100 g with their source."""

from __future__ import annotations

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib import resources
from typing import Final

from oenomel.core.larder import Findable, Index, Tier

FRUIT_SUGAR_SD: Final = 0.25
FRUIT_ACID_SD: Final = 0.30
"""Relative standard deviations of a fruit's sugar and acid between punnets (estimates; food tables give ranges of this width)."""


@dataclass(frozen=True, slots=True)
class Good:
    """A dry or fresh good. ``role`` is sugar, acid, salt, gum, fruit, plant or water; water, sugars and acids are g per 100 g, the
    remainder is insoluble. ``g_per_cup`` is the weight of a US cup, ``g_per_piece`` of one fruit or leaf.
    """

    slug: str
    name: str
    also: tuple[str, ...]
    role: str
    water: float
    sugars: Mapping[str, float]
    acids: Mapping[str, float]
    salt: float
    gum: float
    g_per_cup: float | None
    g_per_piece: float | None
    cautions: tuple[str, ...]
    allergens: tuple[str, ...]
    source: str
    why: str = field(default="")

    @property
    def is_strained_out(self) -> bool:
        """True if a strainer holds the good back."""
        return self.role in ("fruit", "plant")


@cache
def all_goods() -> dict[str, Good]:
    """Return all goods, by slug."""
    text = (resources.files("oenomel.core.preparations") / "data" / "goods.toml").read_text(encoding="utf-8")
    return {
        slug: Good(
            slug=slug,
            name=row["name"],
            also=tuple(row["also"]),
            role=row["role"],
            water=float(row["water"]),
            sugars={kind: float(grams) for kind, grams in row.get("sugars", {}).items()},
            acids={kind: float(grams) for kind, grams in row.get("acids", {}).items()},
            salt=float(row.get("salt", 0)),
            gum=float(row.get("gum", 0)),
            g_per_cup=row.get("g_per_cup"),
            g_per_piece=row.get("g_per_piece"),
            cautions=tuple(row.get("cautions", ())),
            allergens=tuple(row.get("allergens", ())),
            source=row["source"],
            why=row.get("why", ""),
        )
        for slug, row in tomllib.loads(text).items()
    }


def good_called(words: str) -> Good | None:
    """Return the good with a slug or an unambiguous name; None where there is none."""
    if words in all_goods():
        return all_goods()[words]
    matches = _index().find(words)
    return all_goods()[matches[0].slug] if matches and matches[0].tier <= Tier.ANY_ORDER else None


def find_goods(words: str) -> list[tuple[Good, Tier]]:
    """Find the goods that words may mean, best first, each with the quality of the match."""
    return [(all_goods()[match.slug], match.tier) for match in _index().find(words)]


def goods_near(words: str) -> list[str]:
    """Return the names of goods that are spelt or called similarly."""
    near = [*_index().find(words), *_index().nearest(words)]
    return list(dict.fromkeys(match.name for match in near))[:3]


@cache
def _index() -> Index:
    goods = all_goods().values()
    return Index(Findable(good.slug, good.name, good.also, 1 if good.slug == "granulated-sugar" else 2, (), good.role) for good in goods)
