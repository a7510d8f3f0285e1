"""A drink written as lines of text that are read back as the same drink."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator, Mapping
from typing import Final

from oenomel.core.spec import parse_amount
from oenomel.core.spec.units import unit_words
from oenomel.core.wording import with_article
from oenomel.schemas.spec_file import GarnishEntry, PourEntry, SpecFile, parse_spec

__all__ = [
    "drinks_of_markdown", "instructions_of", "markdown_of", "notes_in_markdown", "pour_line", "spec_in_markdown", "without_spec",
]  # fmt: skip

_COMMENT: Final = "<!-- oenomel/spec "

_WORKED = {
    "shake": "Shake", "stir": "Stir", "build": "Build", "blend": "Blend", "swizzle": "Swizzle", "roll": "Roll", "none": "Pour together",
}  # fmt: skip
_ICE = {"cubes": "with ice", "large": "with large cubes", "crushed": "with crushed ice", "none": "without ice"}
_SERVED_ON = {"none": "", "cubes": " over ice", "large": " over a large cube", "crushed": " over crushed ice"}


def _name_of(pour: PourEntry, names: Mapping[str, str]) -> str:
    """Return the name of a pour's ingredient."""
    return names.get(pour.ingredient, pour.ingredient) if isinstance(pour.ingredient, str) else pour.ingredient.name


def _amount_words(pour: PourEntry) -> str:
    """Return an amount with its unit, such as "22.5 ml" or "2 dashes"."""
    amount = parse_amount(pour.amount)
    return f"{amount:.10g} {unit_words(pour.unit, amount)}"


def pour_line(pour: PourEntry, names: Mapping[str, str]) -> str:
    """Return a pour as a line of a recipe."""
    tail = {"floated": ", floated", "rinse": ", to rinse the glass", "rim": " for the edge", "topped": ""}.get(pour.stage, "")
    return f"{_amount_words(pour)} {_name_of(pour, names)}{tail}{' (optional)' if pour.optional else ''}"


def instructions_of(spec: SpecFile) -> Iterator[str]:
    """Yield the method and service, one sentence each."""
    method, serve = spec.method, spec.serve
    dry = f"Dry shake for {method.dry_shake_seconds:g} seconds." if method.dry_shake_seconds and method.technique == "shake" else ""
    if dry and method.dry_shake == "first":
        yield dry
    seconds = method.seconds
    time = "" if seconds is None else f" for {f'{seconds[0]:g} to {seconds[1]:g}' if isinstance(seconds, list) else f'{seconds:g}'} seconds"
    iced = "" if method.technique in ("none", "build") else f" {_ICE[method.ice]}"
    if method.ice_pieces is not None:
        size = "large " if method.ice == "large" else ""
        iced = f" with {method.ice_pieces} {size}{'cube' if method.ice_pieces == 1 else 'cubes'} of ice"
    sign = f", until {re.sub(r'^until ', '', method.sign.strip().rstrip('.'), flags=re.IGNORECASE)}" if method.sign.strip() else ""
    yield f"{_WORKED[method.technique]}{iced}{time}{sign}."
    if dry and method.dry_shake == "last":
        yield f"Strain the ice out. {dry}"
    if serve.glass or serve.ice != "none":
        # A glass without ice is written explicitly, because the text would otherwise not say so.
        no_ice = ", no ice in the glass" if serve.ice == "none" else ""
        yield f"Serve{_SERVED_ON[serve.ice]} in {with_article(serve.glass or 'glass')}{no_ice}."
    if serve.garnish:
        yield f"Garnish with {', '.join(_garnish_words(part) for part in serve.garnish)}."
    for step in method.steps:
        if step.text.strip():
            yield step.text.strip() if step.text.strip().endswith((".", "!", "?")) else f"{step.text.strip()}."


def _garnish_words(garnish: str | GarnishEntry) -> str:
    """Return a garnish as a recipe writes it; how and why in brackets, so that they aren't read as another garnish."""
    if isinstance(garnish, str):
        return garnish
    garnish_in_words = "; ".join(part for part in (garnish.how, garnish.why, f"or {garnish.instead}" if garnish.instead else "") if part)
    return f"{garnish.what} ({garnish_in_words})" if garnish_in_words else garnish.what


def markdown_of(spec: SpecFile, names: Mapping[str, str], notes: str = "") -> str:
    """Write a drink as Markdown, with its whole spec in a comment, so that reading it back loses nothing."""
    kept = json.dumps(spec.model_dump(mode="json", exclude_none=True), ensure_ascii=False, separators=(",", ":"))
    notes_section = ["", "## Notes", "", notes.strip()] if notes.strip() else []
    comment = f"{_COMMENT}{kept.replace('>', chr(92) + 'u003e')} -->"
    return "\n".join([*_markdown_lines(spec, names), *notes_section, "", comment, ""])


def spec_in_markdown(text: str, names: Callable[[SpecFile], Mapping[str, str]]) -> SpecFile | None:
    """Return the spec embedded in a Markdown text; None where there is none, or where the text was changed since."""
    match = re.search(rf"^{re.escape(_COMMENT)}(\{{.*\}}) -->\s*$", text, re.MULTILINE)
    if match is None:
        return None
    spec = parse_spec(match[1])
    before = re.split(r"^## Notes$", text[: match.start()], maxsplit=1, flags=re.MULTILINE)[0]
    return spec if _bare_lines(before) == _bare_lines("\n".join(_markdown_lines(spec, names(spec)))) else None


def drinks_of_markdown(text: str) -> list[str]:
    """Split a Markdown text with several drinks into one text each, with the comment that holds its spec."""
    ends = [match.end() for match in re.finditer(rf"^{re.escape(_COMMENT)}.*-->\s*?$", text, re.MULTILINE)]
    return [text[start:end].strip() for start, end in zip([0, *ends], ends, strict=False)]


def notes_in_markdown(text: str) -> str:
    """Return the notes in a drink's Markdown text."""
    match = re.search(r"^## Notes$(.*?)(?=^<!--|\Z)", text, re.MULTILINE | re.DOTALL)
    return match[1].strip() if match else ""


def without_spec(text: str) -> str:
    """Return a Markdown text without its embedded spec."""
    return re.sub(rf"^{re.escape(_COMMENT)}.*-->\s*$", "", text, flags=re.MULTILINE)


def _markdown_lines(spec: SpecFile, names: Mapping[str, str]) -> list[str]:
    pours = [f"- {pour_line(pour, names)}" for pour in spec.pours]
    return [f"# {' '.join(spec.name.split())}", "", *pours, "", " ".join(instructions_of(spec))]


def _bare_lines(text: str) -> list[str]:
    return [line.strip() for line in text.splitlines() if line.strip()]
