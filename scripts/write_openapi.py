"""Writes the OpenAPI document to a file, without a server; the typed client of the front end is generated from it."""

import json
import sys
import tempfile
from pathlib import Path

from oenomel.api.app import create_api


def main(target: Path) -> None:
    """Write the document."""
    with tempfile.TemporaryDirectory() as folder:
        document = create_api(Path(folder) / "none.db", demo=True).openapi()
    target.parent.mkdir(parents=True, exist_ok=True)
    target.write_text(json.dumps(document, indent=1) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main(Path(sys.argv[1]))
