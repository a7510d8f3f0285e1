"""Drawing of the glass on a card, to scale: outline, layers in their predicted colour, foam, ice and wash line."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Final

from oenomel.core.glass import Appearance

PX_PER_CM: Final = 10.0
_MARGIN_PX: Final = 8.0
_STEMMED_CM: Final = 3.0
_ICE_CM: Final = {"cubes": 2.6, "large": 4.4, "crushed": 1.0}


@dataclass(frozen=True, slots=True)
class Band:
    """A layer from its upper edge down, [px], with its colour."""

    y: float
    height: float
    colour: str


@dataclass(frozen=True, slots=True)
class Block:
    """A piece of ice by its upper left corner and its edge length, [px]."""

    x: float
    y: float
    edge: float


@dataclass(frozen=True, slots=True)
class GlassDrawing:
    """A glass as paths and bands of a picture, with its width and height, [px]."""

    width: float
    height: float
    bowl: str
    outline: str
    stand: str
    bands: tuple[Band, ...]
    ice: tuple[Block, ...]
    line_y: float
    edge: str


def glass_drawing(appearance: Appearance, edge: float) -> GlassDrawing:
    """Draw a drink in its glass; ``edge`` is the share of the rim that is coated."""
    glass = appearance.glass
    widest = max(radius for _, radius in glass.bowl)
    half = max(widest, glass.foot_cm) * PX_PER_CM + _MARGIN_PX
    top = glass.bowl[-1][0]
    head = max(top, appearance.foam.to_cm if appearance.foam else 0.0, top + (1.0 if appearance.ice == "crushed" else 0.0))
    floor = head * PX_PER_CM + _MARGIN_PX
    height = floor + glass.stem_cm * PX_PER_CM + _MARGIN_PX

    def y(cm: float) -> float:
        return round(floor - cm * PX_PER_CM, 1)

    right = [f"{half + radius * PX_PER_CM:.1f},{y(cm):.1f}" for cm, radius in glass.bowl]
    outline = [f"{half - radius * PX_PER_CM:.1f},{y(cm):.1f}" for cm, radius in reversed(glass.bowl)]
    layers = [*appearance.liquid, *([appearance.foam] if appearance.foam else [])]
    bands = tuple(Band(y(layer.to_cm), round(y(layer.from_cm) - y(layer.to_cm), 1), layer.colour) for layer in layers)
    level = appearance.liquid[-1].to_cm
    return GlassDrawing(
        width=round(2 * half, 1),
        height=round(height, 1),
        bowl=f"M{'L'.join([*right, *outline])}Z",
        outline=f"M{'L'.join([*outline, *right])}",
        stand=_stand(half, floor, height, glass.stem_cm, glass.foot_cm * PX_PER_CM, glass.bowl[0][1] * PX_PER_CM),
        bands=bands,
        ice=tuple(_ice(appearance.ice, level, half, widest * PX_PER_CM, floor)),
        line_y=y(appearance.line_cm),
        edge=_edge(half, y(top), glass.bowl[-1][1] * PX_PER_CM, edge),
    )


def _stand(x: float, floor: float, height: float, stem_cm: float, foot: float, radius: float) -> str:
    """Return a stem with its foot, or a thick bottom."""
    bottom = height - _MARGIN_PX / 2
    if stem_cm > _STEMMED_CM:
        return f"M{x:.1f},{floor:.1f}V{bottom:.1f}M{x - foot:.1f},{bottom:.1f}H{x + foot:.1f}"
    return f"M{x - radius:.1f},{floor:.1f}V{bottom:.1f}H{x + radius:.1f}V{floor:.1f}"


def _edge(x: float, y: float, radius: float, share: float) -> str:
    """Return the coat of the rim, on both sides or on one."""
    right = f"M{x + radius:.1f},{y - 2:.1f}v9"
    return "" if share == 0 else right if share < 1 else f"{right}M{x - radius:.1f},{y - 2:.1f}v9"


def _ice(kind: str, level_cm: float, x: float, radius: float, floor: float) -> list[Block]:
    """Return some floating pieces of ice: one large, or rows of small ones."""
    edge = _ICE_CM.get(kind)
    if edge is None:
        return []
    size = edge * PX_PER_CM
    surface = floor - level_cm * PX_PER_CM
    if kind == "large":
        return [Block(round(x - size / 2, 1), round(surface - size * 0.12, 1), round(size, 1))]
    across = max(1, int(2 * radius * 0.85 / size))
    rows = max(1, min(6 if kind == "crushed" else 3, int((floor - surface) / size)))
    start = x - across * size / 2
    shift = size * 0.3
    return [
        Block(
            round(start + column * size + (shift if row % 2 else 0.0), 1),
            round(surface - size * 0.15 + row * size * 1.05, 1),
            round(size * 0.92, 1),
        )
        for row in range(rows)
        for column in range(across - (1 if row % 2 else 0) or 1)
    ]
