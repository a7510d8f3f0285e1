"""What goes wrong in a drink and what can hurt someone, each with what would mend it."""

from oenomel.core.findings.beside_parent import findings_between
from oenomel.core.findings.finding import Case, Edit, Finding, Mend
from oenomel.core.findings.run import findings

__all__ = ["Case", "Edit", "Finding", "Mend", "findings", "findings_between"]
