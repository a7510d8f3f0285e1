"""What goes wrong in a drink and what can hurt someone, each with what would mend it."""

from oenomel.core.findings.beside_parent import findings_between
from oenomel.core.findings.cautions import caution_messages
from oenomel.core.findings.finding import Case, Edit, Finding, Mend
from oenomel.core.findings.run import findings
from oenomel.core.findings.sense import CLASHES, clashes_of, sense_classes

__all__ = ["CLASHES", "Case", "Edit", "Finding", "Mend", "caution_messages", "clashes_of", "findings", "findings_between", "sense_classes"]
