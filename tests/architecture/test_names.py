"""Names that say nothing: no function, class or module has one, and the variables that still do only become fewer."""

import ast
from collections import Counter
from pathlib import Path

import oenomel

SOURCE = Path(oenomel.__file__).parent
FILLER = frozenset({"told", "_told", "made", "found", "said", "held", "each", "place", "left", "lies", "stands"})
MOST_VARIABLES = 49
"""How many variables were still so called when this was counted last: lower it with each one that is renamed, never raise it."""


def names() -> tuple[set[str], Counter[str], Counter[str]]:
    """Functions by filler words, variables by filler words, and public classes by name."""
    functions: set[str] = set()
    variables: Counter[str] = Counter()
    classes: Counter[str] = Counter()
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef) and node.name in FILLER:
                functions.add(node.name)
            elif isinstance(node, ast.ClassDef) and not node.name.startswith("_"):
                classes[node.name] += 1
            elif isinstance(node, ast.Name) and isinstance(node.ctx, ast.Store) and node.id in FILLER:
                variables[node.id] += 1
    return functions, variables, classes


def test_no_new_name_says_nothing():
    functions, variables, classes = names()
    assert functions == set()
    assert sum(variables.values()) <= MOST_VARIABLES, variables.most_common()
    assert [name for name, count in classes.items() if count > 1] == []


def test_no_docstring_begins_with_a_question_word():
    asking = ("What ", "How ", "Whether ", "Which ", "Where ", "Who ", "Whose ")
    wrong = []
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef | ast.ClassDef | ast.Module):
                docstring = ast.get_docstring(node) or ""
                if docstring.startswith(asking):
                    wrong.append(f"{path.relative_to(SOURCE)}: {docstring.splitlines()[0]}")
    assert wrong == []
