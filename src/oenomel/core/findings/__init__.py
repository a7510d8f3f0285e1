"""Checks of a drink: what goes wrong, and what can hurt someone (model.md §8; cautions of domain.md)."""

from oenomel.core.findings.between import findings_between
from oenomel.core.findings.finding import Case, Edit, Finding, Mend
from oenomel.core.findings.run import findings

__all__ = ["Case", "Edit", "Finding", "Mend", "findings", "findings_between"]
