"""Names in docstrings: errors that exist, and what stands in backticks is somewhere in the code."""

import ast
import builtins
import re
from functools import cache
from pathlib import Path

import oenomel
from oenomel import errors

SOURCE = Path(oenomel.__file__).parent
OUTSIDE = {"dataclasses", "replace", "executescript", "check_same_thread", "lark"}
"""Names of other packages that docstrings mention."""

_ERROR = re.compile(r"\b[A-Z][a-z]+(?:[A-Z][a-z]+)+\b")
_RAISES = re.compile(r"[Rr]aises?\b[^.\n]*|Raises\n *-+\n(?:.+\n?)*")


@cache
def nodes() -> list[tuple[str, ast.AST]]:
    """Every node of the source's syntax trees, with its file."""
    return [
        (str(path.relative_to(SOURCE)), node)
        for path in sorted(SOURCE.rglob("*.py"))
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8")))
    ]


def documented() -> list[tuple[str, str]]:
    """Every docstring with its file."""
    kinds = (ast.FunctionDef, ast.AsyncFunctionDef, ast.ClassDef, ast.Module)
    return [(file, text) for file, node in nodes() if isinstance(node, kinds) and (text := ast.get_docstring(node))]


@cache
def names_in_the_code() -> set[str]:
    """Every name, attribute, argument, short text and module of the source."""
    names = {*OUTSIDE, "oenomel"}
    for path in SOURCE.rglob("*.py"):
        names |= set(path.relative_to(SOURCE).with_suffix("").parts)
    for _, node in nodes():
        match node:
            case ast.FunctionDef(name=name) | ast.AsyncFunctionDef(name=name) | ast.ClassDef(name=name):
                names.add(name)
            case ast.arg(arg=name) | ast.Name(id=name) | ast.Attribute(attr=name):
                names.add(name)
            case ast.Constant(value=str(text)):
                names.add(text)
            case _:
                pass
    return names


def test_every_error_that_a_docstring_promises_exists():
    known = {*dir(errors), *dir(builtins), *names_in_the_code()}
    unknown = [
        (file, name)
        for file, text in documented()
        for raised in _RAISES.findall(text)
        for name in _ERROR.findall(raised)
        if name not in known
    ]
    assert unknown == []


def test_what_stands_in_backticks_is_in_the_code():
    known = names_in_the_code()
    unknown = [
        (file, name)
        for file, text in documented()
        for name in [*re.findall(r"(?<!`)`([A-Za-z_][\w.]*)`(?!`)", text), *re.findall(r"``([a-z_]\w*)``", text)]
        if not all(part in known for part in name.split("."))
    ]
    assert unknown == []


def test_the_tree_of_errors_names_each_of_them_once():
    assert errors.__doc__ is not None
    told = re.findall(r"^[│├└─ ]*(\w+)", errors.__doc__.partition("\n\n")[2], re.MULTILINE)
    classes = [name for name, value in vars(errors).items() if isinstance(value, type) and issubclass(value, errors.OenomelError)]
    assert sorted(told) == sorted(classes)
