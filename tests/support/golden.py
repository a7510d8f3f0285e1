"""Golden files: what a sentence says is held there, rewritten by one command (`make golden`) and read in the diff.

A test asks for codes, numbers and roles. Where it is the wording itself that must not change unseen, the test hands it to the fixture
`golden`: the first text of a test is kept under the test's own name, the second one under "name, 2", and so on, in a file for each
module of tests. A text is whatever prints as lines: a string, a list of strings, or anything that JSON can write. Times of day and
dates are left out.
"""

import json
import os
import re
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest

from oenomel.core.larder.catalogue_loader import catalogue

FOLDER = Path(__file__).parents[1] / "golden"
WRITING = bool(os.environ.get("OENOMEL_WRITE_GOLDEN"))
_HEAD = "== "
LEAST_WORDS = 2
NAMES = frozenset(name for each in catalogue().values() for name in (each.name, each.in_sentence))
_CLOCK = re.compile(r"\b\d{1,2}:\d\d\b")
_OF_A_TEST = re.compile(r"TMP/test_[^/\s]+")
_MONTHS = "January|February|March|April|May|June|July|August|September|October|November|December"
_DAY = re.compile(rf"\b\d{{1,2}} ({_MONTHS}) \d{{4}}\b")


def as_lines(text: Any) -> str:
    """A text as it is kept: strings as they are, lists a line each, all else as JSON."""
    if isinstance(text, str):
        return text.rstrip("\n")
    if isinstance(text, list | tuple | set | frozenset) and all(isinstance(each, str) for each in text):
        return "\n".join(f"- {each}" for each in (sorted(text) if isinstance(text, set | frozenset) else text))
    return json.dumps(text, indent=1, ensure_ascii=False, default=str, sort_keys=True)


def sentences_of(report: Any) -> list[str]:
    """Every text of a report with two words or more, each once, in its order; names, codes and addresses have fewer or are left out."""
    found: dict[str, None] = {}

    def walk(part: Any) -> None:
        if isinstance(part, str):
            if len(part.split()) >= LEAST_WORDS and part not in NAMES:
                found.setdefault(part)
        elif isinstance(part, dict):
            for key, value in part.items():
                if key not in ("spec", "pours", "format"):
                    walk(value)
        elif isinstance(part, list | tuple):
            for each in part:
                walk(each)

    walk(report.model_dump(mode="json") if hasattr(report, "model_dump") else report)
    return list(found)


def read(path: Path) -> dict[str, str]:
    """The entries of a golden file, by their names."""
    if not path.exists():
        return {}
    parts = re.split(rf"^{_HEAD}(.*)\n", path.read_text(encoding="utf-8"), flags=re.MULTILINE)
    return {name: body.rstrip("\n") for name, body in zip(parts[1::2], parts[2::2], strict=True)}


def write(path: Path, entries: dict[str, str]) -> None:
    """Writes a golden file, in the order of the entries; an empty one is removed."""
    if not entries:
        path.unlink(missing_ok=True)
        return
    path.parent.mkdir(parents=True, exist_ok=True)
    path.write_text("\n".join(f"{_HEAD}{name}\n{body}\n" for name, body in entries.items()), encoding="utf-8")


class Golden:
    """The golden texts of one test.

    Parameters
    ----------
    path : Path       the file
    test : str        the test's own name, with its parameters
    ignored : mapping of str to str    what differs from run to run, such as a folder, and what is written for it
    """

    def __init__(self, path: Path, test: str, ignored: dict[str, str]) -> None:
        self.path, self.test, self.ignored = path, test, ignored
        self.asked: dict[str, str] = {}

    def __call__(self, text: Any, name: str = "") -> None:
        """Compares a text with the golden file, or writes it there."""
        said = _DAY.sub("DAY", _CLOCK.sub("HH:MM", as_lines(text)))
        for what, instead in self.ignored.items():
            said = _OF_A_TEST.sub(instead, said.replace(what, instead))
        key = f"{self.test}, {name}" if name else self.test if not self.asked else f"{self.test}, {len(self.asked) + 1}"
        assert key not in self.asked, f"two golden texts are called {key}"
        self.asked[key] = said
        if WRITING:
            entries = read(self.path)
            if entries.get(key) != said:
                write(self.path, {**entries, key: said})
            return
        kept = read(self.path).get(key)
        assert kept is not None, f"{self.path.name} has no text of {key}: make golden"
        assert said == kept, f"the words of {key} have changed: make golden, and read the diff"

    def family(self, name: str) -> "Golden":
        """The file of a family of sentences, which has a text for each drink or situation under its name."""
        return Golden(FOLDER / "families" / f"{name}.txt", "", self.ignored)

    def all(self, texts: dict[str, Any]) -> None:
        """Compares the texts of a family, by their names, with its file, or writes them there and nothing else."""
        said = {name: as_lines(text) for name, text in texts.items()}
        if WRITING:
            write(self.path, said)
        kept = read(self.path)
        changed = [name for name in said if said[name] != kept.get(name)]
        assert not changed, f"{len(changed)} texts of {self.path.name} have changed, first {changed[0]}: make golden, and read the diff"
        assert kept.keys() == said.keys(), f"{self.path.name} holds texts of what is gone: make golden"

    @contextmanager
    def raises(self, error: type[Exception]) -> Iterator[pytest.ExceptionInfo[Exception]]:
        """Expects an error of this class; its sentence is kept."""
        with pytest.raises(error) as raised:
            yield raised
        self(str(raised.value))
