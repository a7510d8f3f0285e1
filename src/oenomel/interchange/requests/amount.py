"""An amount as it is typed, and the drink it stands in."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from oenomel.core.spec import Unit
from oenomel.interchange.models import Entry
from oenomel.interchange.spec.file import SpecFile

__all__ = ["AmountRequest"]


class AmountRequest(Entry):
    """A text such as "3/4 oz", "half a lime" or "top to the line", typed for a pour of a spec, by its place; ``unit`` is meant where none
    is typed.
    """

    text: Annotated[str, Field(max_length=60)]
    unit: Unit = "ml"
    spec: SpecFile
    pour: Annotated[int, Field(ge=0, le=59)]
