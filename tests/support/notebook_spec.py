"""The spec that the notebook's routes are asked about."""

from typing import Any

ORCHARD: dict[str, Any] = {
    "format": "oenomel/spec",
    "version": 1,
    "name": "Orchard Sour",
    "family": "sour",
    "pours": [
        {"ingredient": "london-dry-gin", "amount": 60, "unit": "ml", "slot": "base"},
        {"ingredient": "lemon-juice", "amount": 30, "unit": "ml", "slot": "sour"},
        {"ingredient": "simple-syrup-1-1", "amount": 22.5, "unit": "ml", "slot": "sweet"},
    ],
}
