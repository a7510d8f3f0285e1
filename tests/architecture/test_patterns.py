"""No pattern of the code takes longer than its text is long: each is fed the letters that are worst for it.

Source: common practice, from memory: a backtracking matcher takes more than linear time where a repeated part can begin at many places
or be divided in many ways; pumping each repeated part behind what leads to it shows both.
"""

from __future__ import annotations

import ast
import importlib
import re
from collections.abc import Iterator, Mapping
from pathlib import Path

import pytest
from support.depth import DEPTH
from support.worst_letters import TooLong, seconds_over, texts_against

SOURCE = Path("src/oenomel")
FLAGS_AT = {"compile": 1, "match": 2, "search": 2, "fullmatch": 2, "findall": 2, "finditer": 2}
USES = {*FLAGS_AT, "sub", "subn", "split"}
LENGTH = 100_000
LIMIT = 0.2
WORST_TRIED = 3


def _module(path: Path) -> object:
    return importlib.import_module(".".join(path.with_suffix("").parts[1:]).removesuffix(".__init__"))


def _uses(path: Path) -> Iterator[ast.Call]:
    for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute) and ast.unparse(node.func.value) == "re":
            yield from [node] if node.func.attr in USES else []


def _compiled(path: Path, call: ast.Call) -> re.Pattern[str] | None:
    """The pattern of a call, None where its parts are known only while a function runs."""
    assert isinstance(call.func, ast.Attribute)
    names = vars(_module(path))

    def value(node: ast.expr) -> object:
        return eval(compile(ast.Expression(node), str(path), "eval"), names)

    try:
        place = FLAGS_AT.get(call.func.attr)
        flags = [value(each.value) for each in call.keywords if each.arg == "flags"]
        flags += [value(call.args[place])] if place and len(call.args) > place else []
        return re.compile(value(call.args[0]), *flags)
    except NameError:
        return None


def _kept(value: object) -> Iterator[re.Pattern[str]]:
    if isinstance(value, re.Pattern):
        yield value
    elif isinstance(value, Mapping):
        for each in [*value.keys(), *value.values()]:
            yield from _kept(each)
    elif isinstance(value, tuple | list | frozenset | set):
        for each in value:
            yield from _kept(each)


PATHS = [path for path in sorted(SOURCE.rglob("*.py")) if "import re\n" in path.read_text(encoding="utf-8")]
PATTERNS: dict[tuple[str, int], str] = {}
for _path in PATHS:
    _told = [pattern for call in _uses(_path) if (pattern := _compiled(_path, call)) is not None]
    for _pattern in [*_told, *(each for value in vars(_module(_path)).values() for each in _kept(value))]:
        PATTERNS.setdefault((_pattern.pattern, _pattern.flags), _path.relative_to(SOURCE).as_posix())


def test_no_pattern_is_put_together_while_a_function_runs():
    """What a pattern is made of is known when its module is read, so that all of them are tried below; only a compiled one may be made by
    a function of its module.
    """
    unknown = [
        f"{path}:{call.lineno}"
        for path in PATHS
        for call in _uses(path)
        if _compiled(path, call) is None and not (isinstance(call.func, ast.Attribute) and call.func.attr == "compile")
    ]
    assert unknown == []
    assert len(PATTERNS) > 120


def _worst(pattern: re.Pattern[str]) -> list[tuple[int, str]]:
    """Which of its texts a pattern takes longest over, by their places; a text over which it takes too long at once fails the test."""
    if DEPTH == "deep":
        return list(enumerate(texts_against(pattern, LENGTH)))
    taken = [(seconds_over(pattern, text, LIMIT), place) for place, text in enumerate(texts_against(pattern, LENGTH // 40))]
    chosen = {place for _, place in sorted(taken, reverse=True)[:WORST_TRIED]}
    return [(place, text) for place, text in enumerate(texts_against(pattern, LENGTH)) if place in chosen]


@pytest.mark.parametrize(("pattern", "flags"), PATTERNS, ids=[f"{place}-{number}" for number, place in enumerate(PATTERNS.values())])
def test_a_pattern_is_through_100_kb_of_its_worst_letters_in_a_fifth_of_a_second(pattern, flags):
    compiled = re.compile(pattern, flags)
    for size in (30, 300):  # what doubles with each repetition is seen here, and not waited for
        for text in texts_against(compiled, size):
            seconds_over(compiled, text, LIMIT)
    for _, text in _worst(compiled):
        # The best of three, where another program shares the processor's caches meanwhile.
        for left in (2, 1, 0):
            try:
                seconds_over(compiled, text, LIMIT)
                break
            except TooLong:
                assert left, f"{pattern!r} takes longer than {LIMIT} s over {text[:40]!r}…"
