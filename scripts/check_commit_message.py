"""Check a commit message: the subject's length and mood, a blank line, and a body that says why."""

import re
import sys
from pathlib import Path
from typing import Final

LONGEST_SUBJECT: Final = 70
NOT_IMPERATIVE: Final = re.compile(r"^(The|A|An|What|How|Whether|This|These|It|There|\w+ed|\w+ing|\w+[^s]s)\b")
IMPERATIVE_ANYWAY: Final = frozenset({"Pass", "Process", "Focus", "Bring", "Discuss", "Need", "Feed", "Seed", "Speed"})


def faults(message: str) -> list[str]:
    """Return what is wrong with a commit message, a sentence each; none for a good one."""
    lines = [line for line in message.splitlines() if not line.startswith("#")]
    subject, rest = (lines[0] if lines else ""), lines[1:]
    first = subject.split()[0] if subject.split() else ""
    found = []
    if not subject:
        found.append("Write a subject.")
    if len(subject) > LONGEST_SUBJECT:
        found.append(f"Shorten the subject to {LONGEST_SUBJECT} letters: it has {len(subject)}.")
    if NOT_IMPERATIVE.match(subject) and first not in IMPERATIVE_ANYWAY:
        found.append(f"Begin with a verb in the imperative (Add, Fix, Rename), not with “{first}”.")
    if subject.endswith("."):
        found.append("Leave out the full stop after the subject.")
    if rest and rest[0].strip():
        found.append("Leave the second line blank.")
    return found


if __name__ == "__main__":
    wrong = faults(Path(sys.argv[1]).read_text(encoding="utf-8"))
    print("\n".join(wrong))
    sys.exit(1 if wrong else 0)
