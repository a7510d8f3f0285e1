"""Changes a sample of the rules, one at a time, and counts which changes the tests see; compares the score with the one that is kept.

Usage: mutants.py [--sample 10] [--write] [PACKAGE...]. `mutmut` makes and runs the mutants; the sample is the same in every run. A mutant
that survives is listed with its name: `mutmut show NAME` shows it. Fails where a package's score is below the kept one by more than
`MAY_FALL`.
"""

from __future__ import annotations

import argparse
import json
import random
import subprocess
import sys
import tomllib
from collections.abc import Iterable
from pathlib import Path
from typing import Final

ROOT: Final = Path(__file__).parents[1]
KEPT: Final = ROOT / "tests" / "mutation_score.toml"
MUTANTS: Final = ROOT / "mutants"
MUTMUT: Final = Path(sys.executable).parent / "mutmut"
PACKAGES: Final = {
    "originals": "oenomel.core.originals.",
    "batch": "oenomel.core.batch.",
    "preparations": "oenomel.core.preparations.",
    "lots": "oenomel.core.lots.",
    "sensory": "oenomel.core.sensory.",
    "recipe": "oenomel.core.recipe_text.",
    "card": "oenomel.formats.card.",
}
MAY_FALL: Final = 0.05
SURVIVED: Final = 0
"""Exit code of the tests of a mutant that none of them saw."""


def main() -> int:
    """Run the sample; the exit code tells whether no score fell."""
    parser = argparse.ArgumentParser(description="Counts which changes of the rules the tests see.")
    parser.add_argument("packages", nargs="*", metavar="PACKAGE", help="which (default: all)")
    parser.add_argument("--sample", type=int, default=10, help="how many mutants of each (default: 10)")
    parser.add_argument("--write", action="store_true", help="keep the scores")
    chosen = parser.parse_args()
    packages = chosen.packages or list(PACKAGES)
    # The first run makes all mutants and learns which tests touch what; it tries one of them.
    _mutmut("oenomel.core.sensory.training_plan.x_*__mutmut_1")
    names = _codes().keys()
    sampled = {package: _sample(package, names, chosen.sample) for package in packages}
    _mutmut(*(name for each in sampled.values() for name in each))
    codes = _codes()
    kept = tomllib.loads(KEPT.read_text(encoding="utf-8")) if KEPT.exists() else {}
    fell = False
    for package, tried in sampled.items():
        survived = sorted(name for name in tried if codes[name] == SURVIVED)
        score = 1 - len(survived) / max(1, len(tried))
        before = kept.get(package, {}).get("score", 0.0)
        fell = fell or score < before - MAY_FALL
        print(f"{package:<14} {len(tried) - len(survived)} of {len(tried)} seen, {score:.2f}; kept {before:.2f}")
        print(*(f"    survived: {name}" for name in survived), sep="\n")
        kept[package] = {"sample": len(tried), "score": round(score, 2)}
    if chosen.write:
        lines = [f"[{package}]\nsample = {each['sample']}\nscore = {each['score']}\n" for package, each in kept.items()]
        KEPT.write_text(
            "# Share of the sampled mutants that the tests see, by package; `make mutants` compares with it.\n\n" + "\n".join(lines)
        )
    return int(fell)


def _mutmut(*names: str) -> None:
    subprocess.run([MUTMUT, "run", *names], cwd=ROOT, check=False)


def _codes() -> dict[str, int | None]:
    """Exit codes of the tests by the mutants' names; None where one wasn't tried."""
    found: dict[str, int | None] = {}
    for meta in MUTANTS.rglob("*.py.meta"):
        found |= json.loads(meta.read_text(encoding="utf-8"))["exit_code_by_key"]
    return found


def _sample(package: str, names: Iterable[str], size: int) -> list[str]:
    ours = sorted(name for name in names if name.startswith(PACKAGES[package]))
    return sorted(random.Random(package).sample(ours, min(size, len(ours))))


if __name__ == "__main__":
    sys.exit(main())
