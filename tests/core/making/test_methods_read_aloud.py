"""The whole method of forty drinks, held to a file that is read line by line. To write it anew: OENOMEL_WRITE_GOLDEN=1.

What is done, and in which order, is common practice of the trade (domain.md, steps 8 to 12 and the schools).
"""

import os
import re
from pathlib import Path

from support.forty_specs import specs

from oenomel.core.larder.larder_files import catalogue
from oenomel.core.making.steps import making_steps
from oenomel.interchange.spec.drink import drink_from_spec

GOLDEN = Path(__file__).with_name("methods.txt")


def method_of_all() -> str:
    larder = catalogue()
    told = []
    for spec in specs({slug: each.kind for slug, each in larder.items()}):
        steps = making_steps(drink_from_spec(spec, larder))
        told.append("\n".join([f"# {spec.name}", *(f"{step.words} {step.sign}".strip() for step in steps), ""]))
    return "\n".join(told)


def test_the_methods_of_forty_drinks_read_as_they_were_read():
    made = method_of_all()
    if os.environ.get("OENOMEL_WRITE_GOLDEN"):
        GOLDEN.write_text(made, encoding="utf-8")
    assert made == GOLDEN.read_text(encoding="utf-8")
    assert made.count("# ") == 40


def test_every_line_begins_and_ends_as_a_sentence():
    for line in method_of_all().splitlines():
        if line and not line.startswith("# "):
            assert re.fullmatch(r"[A-Z].*[.?]", line), line
            assert not re.search(r"  | [.,]|\.\.", line), line
            assert not re.search(r"\b(?:a a|the the|a the|an? \d|of of|\d of)\b|\{|\bNone\b(?! at hand)", line), line
