"""Every text that a user sees keeps to a few rules of plain English: no odd word, short sentences, figures as the trade writes them.

Read are the texts of the screens, the templates of the Python side, the golden sentences, the README and the guide. The rules are
the house's own; that a bar says "rim" and "7.9 g/100 ml" is common practice.
"""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from support.golden import read

ROOT = Path(__file__).parents[2]
ODD = re.compile(
    r"\b(told|tells?|stands?|lies|lay|lays|home|kin|kinship|tongues?|along|at hand|so many|so much|foreseen|supposed|singly|besides|whose"
    r"|wants?|mends?|mended|held)\b(?!-)",
    re.IGNORECASE,
)
"""Words that nobody would say so across a bar; telling a guest is what one does."""

FINE = re.compile(
    r"tell (?:the|every) guest|^at hand$|^home for the family$|^lay out: |tells you|home page|your home folder|set HOME|\$?\{[^}]*\}",
    re.IGNORECASE,
)
MOST_WORDS = 20
A_LIST = 3
"""Most words of a sentence; with this many commas it is a list, which is read otherwise."""

_BOUNDARY = re.compile(r"(?<=[.!?…])\s+")
_CODE = re.compile(r"\\b|\(\?|^\s*(SELECT|INSERT|UPDATE|DELETE|CREATE|WITH|FROM|PRAGMA)\b|=>|&&|^[a-z0-9_./:{}%-]*$|·\(")
"""Patterns, statements, addresses and equations."""

# Grammars of what people type, words of the data file, and what only a developer reads.
_NOT_SEEN = ("recipe_text/parser.py", "recipe_text/headings.py", "recipe_text/line_parts.py", "recipe_text/method_sentences.py",
             "spec/measures.py", "api/connections.py", "api/middleware/security.py", "schemas/spec_file.py",
             "larder/data", "originals/parts.py", "demo/scenario.py", "larder/ingredient_search.py", "spec/technique.py",
             "store/")  # fmt: skip


def texts_of_the_screens() -> Iterator[tuple[str, str]]:
    for path in sorted((ROOT / "web/src").rglob("*.ts*")):
        if path.name == "schema.d.ts":
            continue
        code = re.sub(r"/\*.*?\*/|(?<![:'\"`])//[^\n]*", "", path.read_text(encoding="utf-8"), flags=re.DOTALL)
        code = re.sub(r"^import .*?;$|className=(?:\"[^\"]*\"|\{`[^`]*`\})", "", code, flags=re.MULTILINE)
        found = [part.group(1) for part in re.finditer(r">\s*([A-Za-z][^<>{}=;]{2,})<", code)]
        found += [
            part.group(1)
            for part in re.finditer(r"""(?:title|label|aria-label|placeholder|hint|heading|words|legend)=["']([^"']+)""", code)
        ]
        found += [one or other for one, other in re.findall(r"'([^'\n]{4,})'|`([^`\n]{4,})`", code) if " " in (one or other)]
        for text in found:
            words = " ".join(text.split())
            if not re.search(
                r"\b(?:px|py|mt|gap|text|grid|flex|border|rounded|min|max)-|[a-z]+-\[|=>|&&|\|\|| === |^[,);?&|]|\w+\(\)|^M\d", words
            ):
                yield path.name, words


def templates_of_the_core() -> Iterator[tuple[str, str]]:
    for path in sorted((ROOT / "src/oenomel").rglob("*.py")):
        name = path.relative_to(ROOT / "src/oenomel").as_posix()
        if any(part in name for part in _NOT_SEEN):
            continue
        tree = ast.parse(path.read_text(encoding="utf-8"))
        silent = {id(node.value) for node in ast.walk(tree) if isinstance(node, ast.Expr)}
        silent |= {id(part) for node in ast.walk(tree) if isinstance(node, ast.JoinedStr) for part in node.values}
        for node in ast.walk(tree):
            if id(node) in silent:
                continue
            if isinstance(node, ast.JoinedStr):
                text = "".join(str(part.value) if isinstance(part, ast.Constant) else "{…}" for part in node.values)
            elif isinstance(node, ast.Constant) and isinstance(node.value, str):
                text = node.value
            else:
                continue
            if len(text.split()) > 2 and not _CODE.search(text):
                yield name, text


def sentences_of_the_golden_files() -> Iterator[tuple[str, str]]:
    for path in sorted((ROOT / "tests/golden/families").glob("*.txt")):
        if path.stem == "recipe reading":
            continue
        for body in read(path).values():
            for line in body.splitlines():
                # A code or a title that the test puts before a sentence is no part of it.
                words = line.lstrip("- ")
                yield path.stem, words.partition(": ")[2] if path.stem in ("findings", "next trial", "event plan") else words


def pages() -> Iterator[tuple[str, str]]:
    for path in (ROOT / "README.md", *sorted((ROOT / "docs/guide").glob("*.md"))):
        text = re.sub(r"```.*?```|`[^`]*`|\]\([^)]*\)|!\[[^\]]*|<[^>]+>", "", path.read_text(encoding="utf-8"), flags=re.DOTALL)
        yield from ((path.name, line.strip()) for line in re.split(r"\n\s*\n|\n(?=\d+\.|[-*|#])", text))


SOURCES = {"screens": texts_of_the_screens, "core": templates_of_the_core, "golden": sentences_of_the_golden_files, "pages": pages}


def faults_of(text: str) -> list[str]:
    """Everything that is wrong with a text."""
    plain = FINE.sub("X", text)
    faults = [f"odd word: {found.group(0)}" for found in [ODD.search(plain)] if found]
    if "in 100 ml" in text and "fit in" not in text:
        faults.append("write g/100 ml")
    if re.search(r"(?:\d|\{…\}|\}) %(?!\w)", text):
        faults.append("no space before %")
    for part in _BOUNDARY.split(plain):
        if len(re.findall(r"[A-Za-z0-9’'.,-]+", part)) > MOST_WORDS and part.count(",") < A_LIST:
            faults.append(f"over {MOST_WORDS} words")
        if len(re.findall(r"[:;](?=\s)", part)) > 1:
            faults.append("two colons or semicolons")
    return faults


@pytest.mark.parametrize("source", SOURCES)
def test_what_a_user_reads_is_plain_english(source):
    texts = list(SOURCES[source]())
    assert len(texts) > (15 if source == "pages" else 500)
    wrong = sorted({f"{where}: {text!r}: {', '.join(faults)}" for where, text in texts if (faults := faults_of(text))})
    assert wrong == []


@pytest.mark.parametrize(
    "text",
    [
        "The drink stands at home.",
        "9.8 g in 100 ml",
        "It is 61 % of it",
        "One: two: three",
        "This sentence has far more than twenty words in it because it goes on and on and on until nobody knows how it began.",
    ],
)
def test_each_rule_finds_what_it_is_for(text):
    assert len(faults_of(text)) == 1


def test_sources_of_the_catalogue_write_percent_as_the_trade_does():
    lines = [line for path in (ROOT / "src/oenomel/core").rglob("*.toml") for line in path.read_text(encoding="utf-8").splitlines()]
    assert [line for line in lines if not line.lstrip().startswith("#") and re.search(r"\d %", line)] == []
