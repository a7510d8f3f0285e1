"""Names of the formats, layouts and countries that a request can choose, and the largest size of a text."""

from __future__ import annotations

from typing import Final, Literal

__all__ = ["LARGEST_PAGE", "Country", "Format", "Layout", "ListFormat"]

Format = Literal["json", "csv", "markdown", "jsonld"]
ListFormat = Literal["csv", "text"]
Layout = Literal["card", "station"]
Country = Literal["us", "uk", "au"]
"""Country whose standard drink is used."""

LARGEST_PAGE: Final = 3_000_000
"""Most letters of a saved web page."""
