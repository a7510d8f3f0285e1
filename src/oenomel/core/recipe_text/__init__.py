"""Reading a recipe as people write it: lines of text, amounts first or last, the method in sentences."""

from oenomel.core.recipe_text.parser import MOST_POURS, read_recipe, sections_of
from oenomel.core.recipe_text.read_recipe import LineCorrection, ReadLine, TextLine

__all__ = ["MOST_POURS", "LineCorrection", "ReadLine", "TextLine", "read_recipe", "sections_of"]
