"""Method and serve read from the sentences of a recipe."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Final

from oenomel.core.spec import Ice, Technique, parse_measure, plain


def _glass(words: str) -> re.Pattern[str]:
    return re.compile(rf"\b(?P<glass>{words})(?:e?s)?\b")


_GLASSES: Final[Mapping[str, re.Pattern[str]]] = {
    "flute": _glass(r"flutes?|champagne glass"),
    "coupe": _glass(r"coupes?|coupettes?|saucers?"),
    "up glass": _glass(r"nick (?:&|and|n'?) nora|martini glass|cocktail glass|up glass|v-?shaped glass|stemmed cocktail glass"),
    "small rocks glass": _glass(r"small rocks|single rocks|single old[- ]fashioned|juice glass"),
    "large rocks glass": _glass(r"(?:double |large )?(?:rocks|old[- ]fashioned)|lowball|tumblers?|whisky glass|whiskey glass|\bdof\b"),
    "small tall glass": _glass(r"fizz glass|small highball|delmonico|small tall|small collins"),
    "tall glass": _glass(r"highball|collins|hi-?ball|tall glass|long glass|sling glass|chimney|zombie glass"),
    "wine glass": _glass(r"wine ?glass|goblet|balloon|copa|burgundy glass|spritz glass"),
    "tiny cup": _glass(r"shot glass|cordial glass|tiny cup|demitasse"),
}
"""Known glasses by the trade's words for them."""

_OTHER_GLASSES: Final = _glass(
    "julep cup|julep tin|copper mug|tiki mug|mug|hurricane glass|hurricane|snifter|margarita glass|punch cup|beer glass|pint glass"
    "|sherry glass|port glass|tankard|pilsner glass|coconut shell|tea ?cup|sour glass|parfait glass"
)
"""Glasses without a drawing; they keep their word."""

_TECHNIQUES: Final[Mapping[Technique, re.Pattern[str]]] = {
    "shake": re.compile(r"\b(?:hard[- ]|wet[- ])?(?:shake[ns]?|shaking)\b"),
    "blend": re.compile(r"\bblend(?:ed|er)?\b"),
    "swizzle": re.compile(r"\bswizzle[ds]?\b|\bchurn(?:ed)?\b"),
    "roll": re.compile(r"\broll(?:ed)?\b|\bthrow(?:n)?\b"),
    "stir": re.compile(r"\bstir(?:red|ring)?\b"),
    "build": re.compile(
        r"\bbuil[dt]\b"
        r"|^(?!.*\b(?:strain|pour))(?:.*\b)?in(?:to)? (?:the|a|an|your) [\w -]{0,60}(?:glass|mug|cup|highball|collins|rocks|tumbler|goblet)"
        r" (?:with|full of|filled with|over) (?:\w{1,20} )?ice\b"
    ),
}
_GENTLY: Final = re.compile(
    r"\bstir(?:red)? (?:gently|briefly|once|lightly|to (?:combine|mix|lift)|through|a little)|\b(?:gently|briefly) stir|give it a stir"
)
_DRY: Final = re.compile(r"\bdry[- ]?shak\w*|\bshak\w*+[^.]{0,40}?\bwithout(?: the)? ice\b|\bwithout ice\b")
_REVERSE: Final = re.compile(r"\breverse dry[- ]?shak")
_COUNTED_ICE: Final = re.compile(r"(?<=with )(\w+)\s+((?:large|big) )?(?:ice[- ])?cubes\b(?! of (?:\w+ )?(?:pineapple|melon|mango|sugar))")
_SECONDS: Final = re.compile(r"(?:(?<!\w)(\w+) ?(?:-|–|to|or) ?)?(?<!\w)(\w+?) ?(?:s|secs?|seconds?|\")(?![a-z])")
_STRAIN: Final = re.compile(r"\b(double|fine)[- ]?strain\w*|\bstrain\w*")
_RIM: Final = re.compile(
    r"\b(?P<dust>salt|sugar) (?:half )?(?:of )?the (?:rim|edge|glass)\b"
    r"|\b(?:(half)[- ](?:a )?)?(?:rim|edge|crust|frost|coat)(?:med|d|ed|ing)?(?: the)?"
    r"(?: (?:glass|edge|rim|half|coupe|lip|of|a|an|your|rocks|chilled)\b)*(?: (?:with|in|of|:))? (?P<with>[^\W\d_][^\d_.,;:()]*)"
    r"|(?:(?P<half>half)[- ])?(?P<what>salt|sugar|salted|sugared|chilli salt|chili salt|celery salt|smoked salt)(?:ed)?[- ](?:rim|edge)\b"
    r"|\b(?P<dip>dip) the (?:rim|edge)[a-z ]* (?:in|into) (?P<into>[a-z ]+)",
    re.IGNORECASE,
)
_GARNISH: Final = re.compile(
    r"^(?:to )?garnish(?:ed)?(?:\s*(?:with|w/|:|-|–|=))?\s*(?P<after>.+)$|^(?P<before>.+?),? ?(?:to|for|as)(?: the)?(?: a)? garnish\b",
    re.IGNORECASE,
)
_GARNISH_INSIDE: Final = re.compile(
    r"\b(?:garnish(?:ed)?|finish|decorate|dust(?:ed)?|sprinkled?)(?: it)? (?:with|w/) ?(?P<what>[^.;]+)", re.IGNORECASE
)
_EXPRESS: Final = re.compile(
    r"\bexpress (?:the )?(?:oils? (?:of|from) )?(?:an? |the |some )?(?P<what>[\w -]+?(?:peel|zest|twist|coin|swath|oil))", re.IGNORECASE
)
_GARNISH_AND: Final = re.compile(r", ?(?:and )?| and (?:an? )?| & | ?; ?| \+ ")
_SERVE_ON: Final = re.compile(
    r"\b(?:over|on|onto|with|full of|filled with|fill(?:ed)?(?: the glass)?(?: up)? with|top(?:ped)? with|add)\b"
    r"[^.;]{0,40}?\b(?:ice|rocks|cubes?|rock)\b"
)
_TIN: Final = re.compile(r"\b(?:shaker|tins?|mixing glass|blender)\b")
_OUT_OF_IT: Final = re.compile(r"\b(?:strain|serve|pour|over|on|into (?:a|an|the))\b")
_CRUSHED_IN_THE_TIN: Final = re.compile(
    r"(?:shake|shaken|swizzle|blend)(?:(?!strain|pour|over|serve)[^.;]){0,30}crushed"
    r"|with crushed ice (?:and )?(?:shake|swizzle|blend)"
)
_ON_ICE: Final = re.compile(
    r"\bice[- ]filled\b|\bover (?:[\w-]+ )?(?:[\w-]+ )?(?:ice|rocks|cubes?|rock)\b|\bon (?:the )?(?:rocks|ice)\b"
    r"|\bover (?:a|one|crushed)\b|, (?:crushed |fresh )?ice$"
)
_LARGE: Final = re.compile(r"\b(?:large|big|one|single|clear|block)\b[^.;]{0,18}\b(?:cube|rock|ice|block|sphere|ball)\b")
_UP: Final = re.compile(r"\bserve(?:d)? (?:straight )?up\b|\bstraight up\b|\bno ice\b|\bwithout ice in the glass\b")


@dataclass(frozen=True, slots=True)
class MethodRead:
    """Method and serve from the sentences read so far; None and empty where unknown.

    ``seconds`` is a pair for a range. ``rims`` are what the rim is coated with, and whether only half of it. ``top`` and ``floats`` are
    words for what is poured last.
    """

    technique: Technique | None = None
    seconds: tuple[float, float] | None = None
    dry_shake_seconds: float | None = None
    dry_shake_told: bool = False
    dry_shake_last: bool = False
    ice_pieces: int | None = None
    method_ice: Ice | None = None
    strain: str = ""
    glass: str = ""
    serve_ice: Ice | None = None
    garnish: tuple[str, ...] = ()
    rims: tuple[tuple[str, bool], ...] = field(default=())
    told: tuple[str, ...] = ()


DRY_SHAKE_USUAL: Final = 10.0
"""Default seconds of a dry shake (common practice)."""


def garnish_of(line: str) -> tuple[str, ...]:
    """Return the garnishes of a line; empty where it has none.

    >>> garnish_of("Garnish with a lime wheel and mint sprig")
    ('lime wheel', 'mint sprig')
    """
    match = _GARNISH.match(line.strip())
    return _listed_things(match["after"] or match["before"] or "") if match else ()


def _listed_things(text: str) -> tuple[str, ...]:
    parts = (
        re.sub(r"^(?:an?|the|with|one|1|optional:?)\s+", "", part.strip(" .:"), flags=re.IGNORECASE) for part in _GARNISH_AND.split(text)
    )
    return tuple(part for part in parts if part and not re.match(r"(?:none|n/a|-|enjoy|serve)\b|-$", part, re.IGNORECASE))


def after_sentence(sentence: str, so_far: MethodRead) -> MethodRead:
    """Return the method and serve after one more sentence; unchanged where it says nothing about them. ``told`` lists what was found."""
    words = plain(sentence)
    result: list[str] = []
    method = so_far
    for read in (_technique, _dry, _strained, _in_glass, _on_ice, _rimmed, _garnished):
        after = read(words, sentence, method)
        if after is not method:
            result.append(read.__name__.strip("_"))
            method = after
    return replace(method, told=tuple(result))


def _technique(words: str, _: str, read: MethodRead) -> MethodRead:
    without_dry = _DRY.sub(" ", _REVERSE.sub(" ", words))
    bare = _GENTLY.sub(" ", without_dry)
    for technique, pattern in _TECHNIQUES.items():
        match = pattern.search(bare)
        if not match:
            continue
        if read.technique is not None and technique not in ("shake", "blend"):
            return read
        if read.technique in ("shake", "blend"):
            break
        read = replace(read, technique=technique)
        break
    else:
        return read
    seconds = _seconds(bare, match.start())
    ice: Ice | None = "crushed" if _CRUSHED_IN_THE_TIN.search(bare) else None
    if technique == "swizzle":
        ice = "crushed"
    counted = _COUNTED_ICE.search(bare)
    pieces = _number(counted[1]) if counted and ice is None else None
    if counted and pieces is not None and pieces >= 1 and pieces.is_integer():
        ice = "large" if counted[2] else "cubes"
        read = replace(read, ice_pieces=int(pieces))
    return replace(read, seconds=seconds or read.seconds, method_ice=ice or read.method_ice)


def _dry(words: str, _: str, read: MethodRead) -> MethodRead:
    match = _DRY.search(words) or _REVERSE.search(words)
    if not match:
        return read
    clause = re.split(r"[.;,]| then | and ", words[match.start() :])[0]
    seconds = _seconds(clause, 0)
    technique = read.technique or "shake"
    dry = seconds[0] if seconds else DRY_SHAKE_USUAL
    return replace(read, technique=technique, dry_shake_told=True, dry_shake_seconds=dry, dry_shake_last=_REVERSE.search(words) is not None)


def _seconds(words: str, start: int) -> tuple[float, float] | None:
    """Return the seconds after a position, as a range; both ends are equal for one number."""
    # "Cubes" end like "12 s".
    for match in _SECONDS.finditer(words, start):
        low, high = _number(match[1]), _number(match[2])
        if high is not None:
            return (low if low is not None and low <= high else high, high)
    return None


def _number(word: str | None) -> float | None:
    amount = parse_measure(word) if word else None
    return amount.amount if amount and amount.unit is None and amount.kind == "amount" else None


def _strained(words: str, _: str, read: MethodRead) -> MethodRead:
    match = _STRAIN.search(words)
    if not match:
        return read
    return replace(read, strain="double" if match[1] else read.strain or "single")


def glass_in(words: str) -> str:
    """Return the glass named by words, as a known one or in its own words; empty where none is.

    >>> glass_in("strain into a chilled coupette")
    'coupe'
    """
    words = plain(words)
    for glass, pattern in _GLASSES.items():
        if pattern.search(words) and not (glass == "large rocks glass" and re.search(r"\bon the rocks\b", words) and "glass" not in words):
            return glass
    other = _OTHER_GLASSES.search(words)
    return other["glass"] if other else ""


def _in_glass(words: str, _: str, read: MethodRead) -> MethodRead:
    glass = glass_in(words)
    if not glass or (read.glass and not re.search(r"\b(?:into|in) (?:a|an|the)\b|^(?:glass|serve)", words)):
        return read
    return replace(read, glass=glass) if glass != read.glass else read


def _on_ice(words: str, _: str, read: MethodRead) -> MethodRead:
    if _UP.search(words):
        return replace(read, serve_ice="none")
    # What goes in the tin differs from what is in the glass.
    tin = _TIN.search(words)
    if tin:
        glass = _OUT_OF_IT.search(words, tin.end())
        if not glass:
            return read
        words = words[glass.start() :]
    after = re.split(r"\b(?:strain|pour|serve|build|into (?:a|an|the)|top|fill|ice-filled|glass)", words, maxsplit=1)
    inside = words if len(after) == 1 else words[len(after[0]) :]
    match = _ON_ICE.search(words)
    if not match and not (len(after) > 1 and _SERVE_ON.search(inside)):
        return read
    where = words[match.start() :] if match else inside
    ice: Ice = "crushed" if re.search(r"\b(?:crushed|pebble|shaved|cracked)\b", where) else "large" if _LARGE.search(where) else "cubes"
    return replace(read, serve_ice=ice)


def _rimmed(words: str, _: str, read: MethodRead) -> MethodRead:
    match = _RIM.search(words)
    if not match:
        return read
    what = (match["dust"] or match["what"] or match["with"] or match["into"] or "").removesuffix("ed").strip()
    what = re.split(r"\b(?:and|then|if|before|on)\b|,", what)[0].strip()
    half = bool(match["half"] or re.search(r"\bhalf\b", words))
    return replace(read, rims=(*read.rims, (what, half))) if what else read


def _garnished(_: str, sentence: str, read: MethodRead) -> MethodRead:
    match = _GARNISH_INSIDE.search(sentence)
    expressed = _EXPRESS.search(sentence)
    away = " and thrown away" if expressed and re.search(r"\b(?:discard|throw)", sentence[expressed.end() :], re.IGNORECASE) else ""
    garnishes = (
        _listed_things(match["what"]) if match else (f"{expressed['what']}, expressed{away}",) if expressed else garnish_of(sentence)
    )
    return replace(read, garnish=(*read.garnish, *(one for one in garnishes if one not in read.garnish))) if garnishes else read
