"""Method and serve of a drink: technique, ice, own steps, glass, rim and garnish."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Final, Literal, get_args

Technique = Literal["shake", "stir", "build", "blend", "swizzle", "roll", "none"]
TECHNIQUES: Final[tuple[Technique, ...]] = get_args(Technique)
Ice = Literal["none", "cubes", "large", "crushed"]
ICES: Final[tuple[Ice, ...]] = get_args(Ice)
DryShake = Literal["first", "last"]
Strain = Literal["", "single", "double", "none"]
SparklingPlace = Literal["", "top", "first", "both"]
Moment = Literal["shake", "strain", "top", "garnish", "serve"]

PIECE_G: Final[Mapping[Ice, float]] = {"cubes": 30.0, "large": 45.0}
"""Weight of one piece of ice for the tin, [g]: a cube of 32 mm; a large one as in docs/model/dilution.md."""


@dataclass(frozen=True, slots=True)
class OwnStep:
    """One of the drink's own lines: the moment it stands before, or the key of the generated step it replaces."""

    text: str
    before: Moment = "serve"
    instead_of: str = ""


@dataclass(frozen=True, slots=True)
class Method:
    """Method of a drink: technique, time and ice.

    ``seconds`` None is the reference time of the technique, 0 no contact with ice; of a range ``seconds_between`` the middle.
    ``ice_pieces`` of ``ice_piece_g`` are counted into the tin: the heat balance then gives the water, whatever the school.
    ``dry_shake`` "last" is a reverse dry shake, after the ice. ``strain`` and ``sparkling`` are empty where the default applies;
    ``sign`` says in the drink's own words when it is ready. ``order`` are the keys of steps in this drink's own order.
    """

    technique: Technique = "shake"
    seconds: float | None = None
    dry_shake_seconds: float = 0.0
    ice: Ice = "cubes"
    seconds_between: tuple[float, float] | None = None
    dry_shake: DryShake = "first"
    ice_pieces: int | None = None
    ice_piece_g: float | None = None
    strain: Strain = ""
    sparkling: SparklingPlace = ""
    sign: str = ""
    steps: tuple[OwnStep, ...] = ()
    order: tuple[str, ...] = ()

    @property
    def piece_g(self) -> float:
        """Weight of one piece of ice, [g]."""
        return PIECE_G.get(self.ice, 0.0) if self.ice_piece_g is None else self.ice_piece_g

    @property
    def counted_ice_g(self) -> float | None:
        """Ice in the tin where its pieces are counted, [g]."""
        return None if self.ice_pieces is None else self.ice_pieces * self.piece_g


@dataclass(frozen=True, slots=True)
class Garnish:
    """A garnish: what it is, how it is placed ("on the edge", "expressed and thrown away"), why, and a substitute."""

    what: str
    how: str = ""
    why: str = ""
    instead: str = ""


_HOW: Final = re.compile(
    r"\b(?:express\w*|thrown away|discard\w*|grated|dusted|sprinkled|on (?:the (?:edge|rim|side|glass)|a pick|top|the (?:foam|ice))"
    r"|(?:dropped )?in(?:to)? the (?:drink|glass)|floated|clapped|slapped|squeezed)\b",
    re.IGNORECASE,
)


def garnish_from_words(words: str) -> Garnish:
    """Read a garnish from words: what follows a comma is how it is placed where it sounds like that, else why.

    >>> garnish_from_words("bay leaf, for the nose").why, garnish_from_words("lemon peel, expressed").how
    ('for the nose', 'expressed')
    """
    what = ""
    how: list[str] = []
    why: list[str] = []
    for part in (one_part.strip() for one_part in words.split(",")):
        if not what:
            what = part
        else:
            (how if _HOW.search(part) else why).append(part)
    return Garnish(what or words.strip(), ", ".join(how), ", ".join(why))


@dataclass(frozen=True, slots=True)
class Edge:
    """Rim of the glass: half or whole, and what it is wetted with; empty for one of the drink's own fruits."""

    half: bool = False
    wetted_with: str = ""


@dataclass(frozen=True, slots=True)
class Serve:
    """Serve of a drink: glass, ice and garnish. ``chilled`` None means the trade's habit: a cold glass for a cold drink. ``note`` is
    for the guest.
    """

    glass: str = ""
    ice: Ice = "none"
    garnish: tuple[Garnish, ...] = ()
    chilled: bool | None = None
    edge: Edge = Edge()
    note: str = ""
