"""Reading a recipe as a drink: each line with its interpretation, none of them lost."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from typing import Final

from oenomel.core.larder import Index, Ingredient, Tier, stems
from oenomel.core.recipe_text.classify import RolePour, guess_of, slot_of, stage_of
from oenomel.core.recipe_text.headings import declared_unit, heading_of, section_of, unit_of_all
from oenomel.core.recipe_text.ingredient_match import Meant, meant_by
from oenomel.core.recipe_text.line_parts import (
    AMOUNT_BEGINS,
    POUR_BEGINS,
    POURED_IN,
    Piece,
    bare,
    has_amount,
    has_pours,
    is_bare_amount,
    piece_of,
    pieces_of,
    split_sentences,
    without_place,
    without_top,
)
from oenomel.core.recipe_text.method_sentences import MethodRead, after_sentence, garnish_of, glass_in
from oenomel.core.recipe_text.pour_reader import ONLY_ICE, ParserState, as_unit, read_pour
from oenomel.core.recipe_text.read_recipe import LineCorrection, ReadPour, ReadRecipe, Section, TextLine
from oenomel.core.recipe_text.spoken import as_written
from oenomel.core.spec import BAR_OUNCE_ML, ML_PER_UNIT, SpokenAmount, Stage, parse_measure, plain
from oenomel.core.spec.measures import beginnings

UNNAMED: Final = "Untitled recipe"
LONGEST_NAME: Final = 80
LONGEST_LINE: Final = 400
"""Default name, longest name, and longest line read as one; a longer one is read by sentences, and a longer sentence is kept as a note."""

MOST_POURS: Final = 60
"""Most pours of a recipe; further ones are not read."""

_EQUAL: Final = re.compile(
    r"^(?:equal parts?(?: of)?|(?P<each>[\d½¼¾⅓⅔][^:,a-z]*[a-z]+\.?) each(?: of)?)\b:?\s+(?P<what>.+)$", re.IGNORECASE
)
_TOP: Final = re.compile(
    r"^(?:then |and |to )?(?:top|fill|lengthen|finish|charge)(?:ped|ed)?(?: (?:it|up|off|the glass))*(?: with| w/| using)?\s+(?P<what>.+)$",
    re.IGNORECASE,
)
_FLOAT: Final = re.compile(
    r"^(?:and |then |carefully |gently )*(?:float(?: of)?|float on top)\s+(?P<what>.+)$"
    r"|^(?P<before>.+?),? (?:float(?:ed)?|to float|for float)$",
    re.IGNORECASE,
)
_RINSE: Final = re.compile(
    r"^(?:rinse|wash|coat)(?: (?:the|a|your|inside|of|chilled|glass|coupe|rocks))*(?: with| of)?\s+(?P<what>.+)$"
    r"|^(?P<before>.+?),? (?:rinse|(?:to|for) rins\w+(?: the glass)?)$",
    re.IGNORECASE,
)  # fmt: skip
_EDGE: Final = re.compile(
    r"^(?:(?P<what>)$|(?P<before>.+?),? (?:for|on|around) (?:the|half the) (?:edge|rim)(?: of the glass)?$)", re.IGNORECASE
)
_CUT_UP: Final = re.compile(
    r"^(?P<fruit>(?:half (?:of )?an?|one|two|an?|\d[\d/ ]*|[¼½¾])(?: an?)? (?:fresh |whole |small |large )?"
    r"(?P<kind>lemon|lime|orange|grapefruit)s?)"
    r",? (?:and )?(?:cut|sliced|quartered|chopped|muddled|in (?:quarters|wedges|pieces|slices|chunks))\b",
    re.IGNORECASE,
)
_VERB_OF_A_POUR: Final = re.compile(
    r"(?:(?:dry|hard|then|first|now|and|next|simply|just)[ -]){0,3}+"
    r"(?:shake|stir|add|pour|build|combine|mix|muddle|blend|swizzle|put|measure|take)\b"
    r"(?: (?:up|together|in|into|over|the|a|your|tin|shaker|glass|mixing|ice|tall|highball|rocks|of|crushed|cubes|with)\b){0,6}+[ ,:]{1,3}",
    re.IGNORECASE,
)  # fmt: skip
_VERB_BEFORE_POURS: Final = re.compile(rf"{_VERB_OF_A_POUR.pattern}(?={POUR_BEGINS})", re.IGNORECASE)
_CLAUSE: Final = re.compile(
    r"(?:,|;)? (?:and then|and|then) (?=(?:add|shake|stir|strain|top|fill|float|pour|build|muddle|double|fine|garnish|serve"
    r"|rinse|finish)\b)"
    r"|[,;] (?=(?:add|shake|stir|strain|top|fill|float|pour|build|muddle|garnish|serve|rinse|finish)\b)",
    re.IGNORECASE,
)  # fmt: skip
"""Verbs before amounts, and where a clause with another verb begins."""

_MADE_APART: Final = "How one of the ingredients is made. Add it under Prep."
_AFTER_THE_RECIPE: Final = "A note under a heading of its own."
_NOT_POURED: Final = "It names an amount, and nothing is poured for it. Write the amount and the ingredient on a line of their own."
"""Reasons of notes; a note without one that names an amount is never certain."""

_SECONDS_FIRST: Final = re.compile(
    r"(?:then |and )?(?:give it )?(?:an? )?(?:(?:good|nice|quick|hard|long|short),? ){0,4}(?P<seconds>\w{1,12})[- ]?(?:seconds?|secs?)[- ]"
    r"(?P<how>(?:dry|wet|hard|whip)[- ])?(?P<verb>shake|stir|blend|swizzle)(?: with(?: the)? ice| over ice)?",
    re.IGNORECASE,
)
_ONLY_POURS: Final = re.compile(
    r"(?:(?:then|first|now|and|next|simply|just) ){0,4}(?:add|pour|combine|put|measure|take|mix)(?: in| up| together)?", re.IGNORECASE
)
"""A sentence whose verb stands before amounts, and verbs that only pour."""

_LAST: Final[tuple[tuple[re.Pattern[str], Stage], ...]] = ((_FLOAT, "floated"), (_RINSE, "rinse"), (_EDGE, "rim"))
_VERBS: Final = re.compile(
    r"\b(?:add|shake|stir|strain|pour|serve|muddle|combine|build|blend|garnish|mix|rim|chill|place|express|discard|fill|top|float|rinse|press|dry|enjoy|put"
    r"|use|make|squeeze|drop|wipe|light|flame|smoke|swizzle|roll|spritz|dust|grate|finish|double|fine|hard)\b",
    re.IGNORECASE,
)
_TAIL: Final = re.compile(
    r",? (?:if (?:you )?(?:like|wish)|to finish|on top|and stir.*|over (?:the )?(?:top|ice).*|(?:and )?serve.*)$", re.IGNORECASE
)
_TITLED: Final = re.compile(r"^(?P<name>[^:|\d]{3,60}?)(?:: | \| | (?:--?|–|—) )(?P<list>.+)$")
_CALLS_FOR: Final = re.compile(r"(?:for|per|each|ingredients?|spec|recipe|you need)\b", re.IGNORECASE)
_OF_THE_DRINK: Final = re.compile(
    r"(?:dry[- ]shake|shake|stir|build|muddle|strain|double[- ]strain|fine[- ]strain|swizzle|blend|garnish|top (?:up )?with|serve)\b",
    re.IGNORECASE,
)
_FOR_MORE: Final = re.compile(r"\b(?:serves|makes|yields?)\b\D{0,3}([2-9]|[1-9]\d)\b(?!\s?(?:ml|oz|cl|l)\b)", re.IGNORECASE)
_SAYS_NOTHING: Final = re.compile(
    r"(?:and |then )?(?:enjoy|top(?: it)? (?:off|up)|serve(?: immediately| at once| cold| chilled)?|cheers|done|that's it)[\s.!]*",
    re.IGNORECASE,
)
_NOTHING_MENDED: Final[Mapping[str, LineCorrection]] = {}
_POUR: Final = re.compile(rf"{POUR_BEGINS}(?:{POURED_IN[1:]})?", re.IGNORECASE)
_TOGETHER: Final = frozenset(
    stems(
        "all ingredients everything tin shaker add combine combined glass into together mixing mix except rest enjoy serve pour to your it"
        " then put place"
    )
)
_CREDIT: Final = re.compile(r"(?:recipe )?(?:by|from|adapted|source|serves|https?:|www\.)\b", re.IGNORECASE)
_SERVES: Final = re.compile(r" ?\((?:serves|makes|yields?|for)\b[^()]*\)", re.IGNORECASE)
_RIM_AMOUNT: Final = (1.0, "tsp")


def sections_of(text: str) -> list[TextLine]:
    """Return the lines of a text; headings start its sections."""
    return [TextLine(line) for line in text.splitlines() if line.strip()]


def read_recipe(
    lines: Sequence[TextLine],
    index: Index,
    ingredient_of: Callable[[str], Ingredient],
    name: str = "",
    mended: Mapping[str, LineCorrection] = _NOTHING_MENDED,
) -> ReadRecipe:
    """Read a recipe from its lines; ``name`` where it is known apart from them, ``ingredient_of`` returns the ingredient of a slug.

    ``mended`` are corrections of lines, by the original text of the line.
    """
    lines = [part for line in lines for part in _in_parts(line)]
    reading = ParserState(index, ingredient_of, unit_of_all([line for line in lines if len(line.text) <= LONGEST_LINE]), mended, name)
    section: Section = ""
    for line in lines:
        if len(reading.pours) > MOST_POURS:
            break
        if len(line.text) > LONGEST_LINE:
            reading.tell(line.text, "note", "Too long for one line. Put each ingredient on its own line.", sure=False)
        else:
            section = _read_line(reading, line, line.section or section, is_only=len(lines) == 1)
    return _finished(reading)


def _in_parts(line: TextLine) -> list[TextLine]:
    """Return a line, or its sentences where it is too long to be read in one."""
    text = " ".join(line.text.split())
    if len(text) <= LONGEST_LINE:
        return [line]
    return [TextLine(sentence, line.section) for sentence in split_sentences(text)]


def _read_line(reading: ParserState, line: TextLine, section: Section, *, is_only: bool) -> Section:
    """Read a line; returns the section that the next one belongs to."""
    text = bare(line.text)
    if not any(letter.isalnum() for letter in text):
        return section
    heading = heading_of(text, line.text)
    if heading:
        return _read_heading(reading, text, *heading, section)
    made_apart = _TITLED.match(text) if reading.pours and not is_only else None
    if made_apart and _begins_a_list(made_apart["list"]) and _is_poured(reading, made_apart["name"]):
        reading.tell(text, "note", _MADE_APART)
        return "apart"
    is_first = all(read_line.taken in ("note", "name") for read_line in reading.lines)
    if is_first and not reading.name and not section and not is_only and _is_name(as_written(text)):
        reading.name = _SERVES.sub("", text.strip(' .:"“”'))
        reading.tell(text, "name")
        return section
    if is_only and not reading.name and (titled := _TITLED.match(text)) and _begins_a_list(titled["list"]):
        if not _CALLS_FOR.match(titled["name"]):
            reading.name = titled["name"].strip()
        reading.tell(titled["name"], "name" if reading.name else "heading")
        text = titled["list"]
    _read_part(reading, text, section)
    return section


def _is_poured(reading: ParserState, name: str) -> bool:
    """Check whether a name is that of an ingredient that was poured."""
    meant = meant_by(name, (), reading.index)
    return meant.sure and reading.has_poured(meant.slug)


def _begins_a_list(text: str) -> bool:
    """Check whether the first part of a text is an amount of something, as after a recipe's name on one line."""
    first = re.split(r",|\s\|\s", text)[0]
    return has_amount(first) and not is_bare_amount(first)


_WITH_EGG: Final = re.compile(r"(?<=\w) with (?:an |one )?egg (?:white|yolk)s?\b", re.IGNORECASE)
_COUNTS: Final = re.compile(
    rf"{AMOUNT_BEGINS}|\b(?:half|juice of|top|splash|dash|pinch|rinse|couple|few)\b|^(?:an?|one|two|three) ", re.IGNORECASE
)


def _is_name(text: str) -> bool:
    odd = re.search(r"[.!?]\s|[<>{}]|:\s|\s[-–—]\s", text)
    counts = has_amount(text) and text[:1] in "0123456789¼½¾⅓⅔."
    measures = counts or (
        _COUNTS.search(_WITH_EGG.sub("", text)) is not None
        and has_amount(text)
        and piece_of(text).said is not None
        and getattr(piece_of(text).said, "unit", None) is not None
    )
    asked_for = text.endswith(":") and (_VERBS.match(text) or _CALLS_FOR.match(text))
    return len(text) <= LONGEST_NAME and not odd and not asked_for and not _CREDIT.match(text) and not measures and not _TOP.match(text)


def _read_heading(reading: ParserState, text: str, what: str, rest: str, section: Section) -> Section:
    if what in ("name", "title", "drink") and rest:
        reading.name = reading.name or rest
        reading.tell(text, "name")
        return section
    if what in ("glass", "glassware", "serve in", "served in"):
        reading.made = replace(reading.made, glass=glass_in(rest) or rest or reading.made.glass)
        reading.tell(text, "glass" if rest else "heading")
        return section
    if what == "ice" and rest:
        words = plain(rest)
        ice = "none" if re.search(r"\b(none|no|up)\b", words) else "crushed" if "crush" in words or "pebble" in words else None
        large = re.search(r"\b(large|big|one|block|sphere|rock)\b", words)
        reading.made = replace(reading.made, serve_ice=ice or ("large" if large else "cubes"))  # type: ignore[arg-type]
        reading.tell(text, "ice")
        return section
    if what in ("rim", "edge") and rest:
        reading.made = replace(reading.made, rims=(*reading.made.rims, (re.sub(r"^half\b[\s,]*", "", rest), "half" in rest.lower())))
        reading.tell(text, "edge")
        return section
    if what in ("garnish", "garnishes") and rest:
        reading.garnish(text, *garnish_of(f"garnish: {rest}"))
        return section
    after = section_of(what)
    if after is None:
        reading.tell(text, "note")
        apart: Section = "apart" if what.startswith("for ") else "note"
        return apart if not rest else section
    if rest:
        _read_part(reading, rest, after)
    else:
        reading.tell(text, "heading")
    return after


def _read_part(reading: ParserState, text: str, section: Section) -> None:
    """Read a line, or the rest of one with a heading: pours first, then sentences."""
    text = as_written(text)
    if section == "apart" and _OF_THE_DRINK.match(text):
        section = "method"
    if section in ("note", "apart"):
        reading.tell(text, "note", _MADE_APART if section == "apart" else _AFTER_THE_RECIPE)
        return
    if section == "garnish":
        reading.garnish(text, *garnish_of(f"garnish: {text}"))
        return
    if shaken := _SECONDS_FIRST.fullmatch(text.strip(" .!")):
        _read_sentence(reading, f"{shaken['how'] or ''}{shaken['verb']} for {shaken['seconds']} seconds", "method")
        return
    if declared_unit(text) and len(text.split()) <= 8:
        reading.tell(text, "made")
        return
    equal = _EQUAL.match(text)
    if equal:
        first, amount = text[: equal.start("what")].strip(), equal["each"] or "1 part"
        sentence, *further = split_sentences(equal["what"])
        for at, clause in enumerate(re.split(r", ?(?:and )?| and | \+ ", sentence.strip(" ."))):
            read_pour(reading, replace(piece_of(f"{amount} {clause}", reading.default_unit), text=clause if at else f"{first} {clause}"))
        for clause in further:
            _read_sentence(reading, clause, section)
        return
    for sentence in split_sentences(text):
        if section != "method" and has_pours(sentence) and not _starts_with_verb(sentence):
            for part in _with_their_tails(reading, pieces_of(sentence)):
                _read_item(reading, part)
        elif _VERB_BEFORE_POURS.match(sentence) or (_starts_with_verb(sentence) and len(_POUR.findall(sentence)) > 1):
            _read_pours_of_a_sentence(reading, sentence)
        else:
            _read_sentence(reading, sentence, section)


def _read_pours_of_a_sentence(reading: ParserState, sentence: str) -> None:
    """Read a sentence with amounts after its verbs, "Shake 45 ml of gin with 20 ml of lime juice": what is poured, then what is done.

    What the lines before have poured already is counted once.
    """
    for clause in _CLAUSE.split(sentence):
        if _TOP.match(clause):
            _read_sentence(reading, clause, "")
            continue
        verb = _VERB_OF_A_POUR.match(clause) if has_pours(clause) else None
        for part in pieces_of(clause[verb.end() :] if verb else clause):
            piece = piece_of(part, reading.default_unit)
            slug = meant_by(piece.words, piece.asides, reading.index).slug if has_amount(part) else None
            if reading.has_poured(slug):
                reading.tell(part, "made", "Poured already, so it is counted once.")
            else:
                _read_item(reading, part)
        if verb and not _ONLY_POURS.fullmatch(verb[0].strip(" ,:")):
            reading.made = after_sentence(verb[0].strip(" ,:"), reading.made)
            reading.tell(verb[0].strip(" ,:"), "made")


def _with_their_tails(reading: ParserState, parts: Sequence[str]) -> list[str]:
    """Join parts of a line where one only describes the ingredient: "orange liqueur, dry", "apple juice, cloudy 30 ml"."""
    joined: list[str] = []
    for part in parts:
        if joined and has_amount(part) != has_amount(joined[-1]):
            closer = reading.index.find(f"{piece_of(part).words} {piece_of(joined[-1]).words}")
            if closer and closer[0].tier <= Tier.ANY_ORDER:
                joined[-1] = f"{joined[-1]}, {part}"
                continue
        joined.append(part)
    return joined


def _starts_with_verb(text: str) -> bool:
    match = _VERBS.match(text)
    # "Dry gin" and "double cream" begin with no verb.
    return match is not None and match[0].lower() not in ("dry", "double", "fine", "hard", "top", "float", "rinse", "smoke", "light")


def _read_item(reading: ParserState, part: str) -> None:
    """Read one amount of something, or the words between two."""
    if _pressed_fruit(reading, part):
        return
    if garnish := garnish_of(part):
        reading.garnish(part, *garnish)
    elif (on_top := without_top(part)) and has_amount(on_top):
        read_pour(reading, replace(piece_of(on_top, reading.default_unit), text=part), stage="floated")
    elif _TOP.match(part) and piece_of(part).said is None:
        _read_sentence(reading, part, "")
    elif has_amount(part) or _RINSE.match(part) or _TOP.match(part):
        for pattern, stage in _LAST:
            if match := pattern.match(part):
                words = match["what"] or match["before"]
                read_pour(reading, replace(piece_of(words, reading.default_unit), text=part), stage=stage)
                return
        read_pour(reading, piece_of(part, reading.default_unit))
    else:
        _read_sentence(reading, part, "")


def _read_sentence(reading: ParserState, sentence: str, section: Section) -> None:
    """Read a sentence of the method, an ingredient without an amount, or unknown words."""
    text = sentence.strip(" .")
    if ONLY_ICE.fullmatch(text):
        reading.made = replace(reading.made, serve_ice="crushed" if re.match(r"crushed|pebble", text, re.IGNORECASE) else "cubes")
        reading.tell(sentence, "ice")
        return
    if section != "method" and _pressed_fruit(reading, text):
        return
    if section != "method" and not _starts_with_verb(text) and (garnish := garnish_of(text)):
        reading.garnish(sentence, *garnish)
        return
    before, pours = reading.made, len(reading.pours)
    poured = _poured_in_words(reading, text)
    reading.made = _unmarked_garnish(reading, text, after_sentence(text, before))
    if len(reading.pours) > pours:
        return
    rims = len(reading.made.rims) > len(before.rims)
    if reading.made.told or poured:
        garnished = reading.made.told == ("garnished",)
        reading.tell(sentence, "edge" if rims else "garnish" if garnished else "made")
        return
    if _SAYS_NOTHING.fullmatch(text):
        reading.tell(sentence, "made")
        return
    if section == "method" or _VERBS.search(text) or len(text.split()) > 6:
        known = section == "method" and _VERBS.search(text) is not None and not re.search(r"\d", text)
        reading.tell(sentence, "made" if known and _names_what_is_poured(reading, text) else "note")
        return
    _read_without_amount(reading, sentence, text, section)


def _pressed_fruit(reading: ParserState, text: str) -> bool:
    """Check whether fruit goes in cut up, as in "half a lemon, cut in wedges", so that its juice must be asked for."""
    match = _CUT_UP.match(text)
    squeezed = parse_measure(match["fruit"]) if match else None
    if match is None or squeezed is None or re.search(r"\bgarnish", text, re.IGNORECASE):
        return False
    meant = meant_by(f"{match['kind']} juice", (), reading.index)
    if text in reading.mended or meant.slug is None:
        read_pour(reading, Piece(text, f"{match['kind']} juice", None), meant)
        return True
    most = f"{round(2 * squeezed.amount) / 2:g} ml"
    why = f"How much juice does it give? Squeezed well, about {most}; muddled, less."
    reading.ask(text, meant, why, (most,))
    return True


def _unmarked_garnish(reading: ParserState, text: str, read: MethodRead) -> MethodRead:
    """Read a garnish without a word for it: "Build in a wine glass, orange slice"."""
    for part_of_line in dict.fromkeys(re.split(r"[,;]\s*", text)[1:]):
        clause = re.sub(r" ?(?:\b(?:expressed|discarded|and|then)\b|&)", "", part_of_line).strip()
        words = stems(clause)
        matches = reading.index.find(clause) if 0 < len(words) <= 3 and not _VERBS.search(clause) else []
        if (
            matches
            and matches[0].tier <= Tier.ANY_ORDER
            and set(reading.ingredient_of(matches[0].slug).slots) <= {"garnish"}
            and clause not in read.garnish
        ):
            read = replace(read, garnish=(*read.garnish, clause.strip(" .")))
    return read


def _names_what_is_poured(reading: ParserState, text: str) -> bool:
    """Check whether a sentence only repeats the pours: "Add everything to a tin"."""
    words = set(stems(text))
    return bool(words & _TOGETHER) and words <= _TOGETHER | {word for pour in reading.pours for word in stems(pour.words)}


def _poured_in_words(reading: ParserState, text: str) -> bool:
    """Read what is topped, floated or rinsed with, and pour it where it isn't yet; returns whether there was any."""
    lasts: tuple[tuple[re.Pattern[str], Stage], ...] = ((_TOP, "topped"), *_LAST)
    for pattern, stage in lasts:
        for clause in re.split(r"[;,]\s*(?:and |then )*|\b(?:and|then)\s+(?=top|fill|float|rinse|finish)", text):
            match = pattern.match(clause.strip())
            if not match:
                continue
            words = without_place(_TAIL.sub("", (match["what"] if match["what"] else match.groupdict().get("before")) or ""))
            piece = piece_of(words, reading.default_unit)
            meant = meant_by(re.sub(r"^(?:a|an|the|some|more|cold|chilled)\s+", "", piece.words), piece.asides, reading.index)
            if meant.slug is None or re.search(r"\b(ice|garnish)\b", words):
                continue
            at = next((i for i, pour in enumerate(reading.pours) if pour.ingredient and pour.ingredient.slug == meant.slug), None)
            if at is not None:
                if stage != "topped" or reading.pours[at].stage == "mixed":
                    reading.pours[at] = replace(reading.pours[at], stage=stage)
                return True
            if stage == "rinse" and piece.said is None:
                piece = replace(piece, said=SpokenAmount(amount=1.5, unit="ml"), told="rinse")
            if stage == "topped" and piece.said is None:
                piece = replace(piece, said=SpokenAmount("line"), told=clause.strip())
            read_pour(reading, replace(piece, text=text), meant, stage)
            return True
    return False


_PLACE_FIRST: Final = re.compile(r" (?:on|over|into|in) (?:the|a) (?:bottom|glass|tin|shaker|top|base)\b.{0,60}$", re.IGNORECASE)
_BY_EYE: Final = re.compile(
    r"(?:and |then |just |maybe |add |with ){0,4}an? (?:good |little |tiny |small |wee |big |healthy )?"
    r"(?P<how>touch|tad|hint|bit|drizzle|glug|slug|kiss|whisper)"
    r" (?:more )?of (?P<what>[^,.;]{1,80})",
    re.IGNORECASE,
)
_BY_EYE_AMOUNT: Final[Mapping[str, tuple[float, str]]] = {
    "bitters": (1.0, "dash"), "syrup": (1.0, "barspoon"), "honey": (1.0, "barspoon"), "sugar": (1.0, "barspoon"),
    "liqueur": (1.0, "barspoon"), "spirit": (1.0, "barspoon"),
}  # fmt: skip
_SMALL_ML: Final = 5.0
_GLUG_ML: Final = 30.0
"""A touch by the ingredient's kind, of juice and all others in ml, and a glug (house rules; each is asked after)."""


def _pour_by_eye(reading: ParserState, sentence: str, how: str, meant: Meant) -> None:
    """Pour a touch or a glug of something, and ask after it."""
    kind = reading.ingredient_of(meant.slug or "").kind
    amount, unit = (_GLUG_ML, "ml") if how.lower() in ("glug", "slug") else _BY_EYE_AMOUNT.get(kind, (_SMALL_ML, "ml"))
    piece = Piece(sentence, how, SpokenAmount(amount=amount, unit=unit, by_eye=True), f"a {how.lower()}")
    why = f"A {how.lower()} is poured by eye. {amount:g} {unit} is assumed."
    read_pour(reading, replace(piece, doubts=(why,)), meant)


def _read_without_amount(reading: ParserState, sentence: str, text: str, section: Section) -> None:
    """Read a line without an amount: a garnish, an ingredient whose amount must be asked for, or unknown words."""
    if sentence in reading.mended:
        read_pour(reading, replace(piece_of(text), text=sentence))
        return
    by_eye = _BY_EYE.match(text)
    meant = meant_by(_PLACE_FIRST.sub("", by_eye["what"] if by_eye else piece_of(text).words or text), (), reading.index)
    if by_eye and meant.slug:
        _pour_by_eye(reading, sentence, by_eye["how"], meant)
        return
    first, *alternatives = text.split(" or ")
    if alternatives and (egg := piece_of(first)).said is not None and meant.slug:
        read_pour(reading, replace(egg, text=sentence), meant_by(f"{egg.words} or {' or '.join(alternatives)}", (), reading.index))
        return
    if meant.slug is None or (not meant.sure and section != "ingredients" and not alternatives):
        reading.tell(sentence, "note")
        return
    ingredient = reading.ingredient_of(meant.slug)
    if set(ingredient.slots) <= {"garnish"} or (ingredient.kind == "plant" and "garnish" in ingredient.slots):
        reading.garnish(sentence, text)
        return
    why = f"How much {ingredient.in_sentence}? The line gives no amount."
    reading.ask(sentence, meant, why)


def _rough_ml(amount: float, unit: str) -> float:
    """Return the approximate ml of an amount, to decide its slot; a part counts as an ounce, pieces as nothing."""
    return amount * ML_PER_UNIT.get(unit, BAR_OUNCE_ML if unit in ("oz", "part") else 0.0)


def _finished(reading: ParserState) -> ReadRecipe:
    """Return the recipe, completed by what only the whole of it shows: rims, relative amounts, the technique, the family."""
    _doubt_notes_with_amounts(reading)
    for what, _ in reading.made.rims:
        _read_rim(reading, what)
    _settle_lines_that_follow(reading)
    _settle_what_was_poured_after_all(reading)
    sentence, reasons = reading.made, []
    parts = [
        RolePour(pour.ingredient, _rough_ml(pour.amount, pour.unit), pour.slot, pour.stage)
        for pour in reading.pours
        if pour.ingredient is not None
    ]
    if sentence.technique is None:
        shaken = any(part.slot in ("sour", "texture") or part.ingredient.kind in ("egg", "dairy", "juice") for part in parts)
        sentence = replace(sentence, technique="shake" if shaken else "stir")
        how = "shaken, because it contains juice" if shaken else "stirred, because everything in it is clear"
        reasons.append(f"No method given. Assumed {how}.")
    guess = guess_of(parts, sentence.technique, sentence.serve_ice or "none")
    part_ml = None
    if any(pour.unit == "part" for pour in reading.pours):
        most = max(pour.amount for pour in reading.pours if pour.unit == "part")
        part_ml = 30.0 if most <= 2 else 60.0 / most
        reasons.append(f"One part is assumed to be {part_ml:g} ml.")
    serves = next((match[1] for line in reading.lines if (match := _FOR_MORE.search(line.text))), None)
    if serves:
        reasons.append(f"It serves {serves}: its amounts were left as they are, for all of them.")
    notes = [line.text for line in reading.lines if line.taken in ("note", "asked")]
    return ReadRecipe(
        reading.name or UNNAMED, guess, tuple(reading.pours), sentence, tuple(reading.lines), tuple(notes), (guess.why, *reasons), part_ml
    )


def _doubt_notes_with_amounts(reading: ParserState) -> None:
    """Mark notes and sentences of the method that name a measure of an ingredient that isn't poured: no pour is lost in silence."""
    for at, line in enumerate(reading.lines):
        if line.taken not in ("note", "made") or not line.sure or line.why:
            continue
        amount = _POUR.search(line.text)
        if amount is None:
            continue
        meant = meant_by(" ".join(line.text[amount.end() :].removeprefix(" of").split()[:3]), (), reading.index)
        if line.taken == "note" or (meant.slug and not reading.has_poured(meant.slug)):
            reading.lines[at] = replace(line, taken="note", sure=False, why=_NOT_POURED)


def _read_rim(reading: ParserState, what: str) -> None:
    """Read the rim of the glass, as a pour that adds no liquid."""
    slugs = (meant_by(rim_words, (), reading.index).slug for rim_words in re.split(r" ?/ ?| (?:or|and) ", what))
    coats = (reading.ingredient_of(slug) for slug in slugs if slug)
    ingredient = next((coat for coat in coats if "edge" in coat.slots), None)
    at = next((i for i, line in enumerate(reading.lines) if line.taken == "edge" and line.pour is None), None)
    mended = reading.mended.get(reading.lines[at].text, LineCorrection()) if at is not None else LineCorrection()
    if mended.slug:
        ingredient = reading.ingredient_of(mended.slug)
    if ingredient is None or mended.left_out:
        if at is not None:
            why = "Left out." if mended.left_out else f"A rim of what? “{what}” isn’t a known rim."
            reading.lines[at] = replace(reading.lines[at], taken="note", sure=mended.left_out, why=why)
        return
    if any(pour.stage == "rim" and pour.ingredient is ingredient for pour in reading.pours):
        return
    amount, unit = _RIM_AMOUNT
    reading.pours.append(ReadPour(what, ingredient, amount, as_unit(unit), "edge", "rim"))
    if at is not None:
        reading.lines[at] = replace(reading.lines[at], pour=len(reading.pours) - 1)


def _settle_what_was_poured_after_all(reading: ParserState) -> None:
    """Withdraw the question for an amount where a later sentence pours the ingredient: "soda water", then "top with soda water"."""
    poured = {pour.ingredient.slug for pour in reading.pours if pour.ingredient and pour.stage != "mixed"}
    reading.lines[:] = [
        replace(line, taken="made", sure=True, others=(), why="", asks="") if line.taken == "asked" and line.asks in poured else line
        for line in reading.lines
    ]


_FOLLOWS: Final = re.compile(
    r"(?:and |then |with ){0,3}(?P<told>(?:the |an )?(?:same|equal)(?: amount| measure| quantity)?(?: again)?(?: of)?"
    r"|(?:half|twice|double|a third|a quarter)(?: as much| that much| that(?: amount)?)(?: of)?) (?P<name>(?!as\b|the\b).{1,120})$",
    re.IGNORECASE,
)


def _pour_after_the_one_before(reading: ParserState, at: int, follows: re.Match[str]) -> None:
    """Resolve "same amount of simple syrup": as much as, or so many times, the pour of the line before."""
    to = next((line.pour for line in reversed(reading.lines[:at]) if line.taken == "pour"), None)
    meant = meant_by(follows["name"], (), reading.index)
    wording = re.sub(r" (?:again|of)\b", "", follows["told"].removeprefix("the ").removeprefix("an "))
    measure = parse_measure(wording, "times")
    if to is not None and measure is not None:
        _pour_relative(reading, at, follows["name"], meant, wording, to, measure.amount)


def _pour_relative(reading: ParserState, at: int, name: str, meant: Meant, wording: str, to: int, times: float) -> None:
    """Pour so many times what another pour is, from the line at a place; a name that means nothing pours nothing."""
    if meant.slug is None:
        return
    followed, ingredient = reading.pours[to], reading.ingredient_of(meant.slug)
    amount = round(times * followed.amount, 6)
    slot = slot_of(ingredient, amount * ML_PER_UNIT.get(followed.unit, 30.0), has_base=True)
    reading.pours.append(ReadPour(name, ingredient, amount, followed.unit, slot, stage_of(ingredient, slot), wording, relative=(to, times)))
    reading.lines[at] = replace(
        reading.lines[at], taken="pour", pour=len(reading.pours) - 1, sure=meant.sure, others=meant.others, why=meant.why, asks=""
    )


def _settle_lines_that_follow(reading: ParserState) -> None:
    """Resolve amounts relative to another pour, as in "lemon juice: half as much as the gin"."""
    for at, line in enumerate(reading.lines):
        if line.taken not in ("note", "asked"):
            continue
        follows = _FOLLOWS.match(line.text)
        if follows and " as " not in follows["name"]:  # "as the gin" names the pour to follow
            _pour_after_the_one_before(reading, at, follows)
            continue
        match = re.match(r"^(?P<name>[^:–—,]+?)(?:[:–—,]|\s-)\s*(?P<told>.+)$", line.text) or re.match(
            r"^(?P<told>(?:(?! (?:much|of) ).)+ (?:much|of) )(?P<name>.+?) as (?P<as>.+)$", line.text
        )
        if not match:
            continue
        text = f"{match['told']} {match.groupdict().get('as') or ''}".strip()
        for measure, rest in beginnings(text, "times"):
            wanted = set(stems(rest))
            to = next((i for i, pour in enumerate(reading.pours) if wanted and wanted <= set(stems(f"{pour.words} {pour.slot}"))), None)
            meant = meant_by(match["name"], (), reading.index)
            if to is None or meant.slug is None:
                continue
            _pour_relative(reading, at, match["name"], meant, text, to, measure.amount)
            break
