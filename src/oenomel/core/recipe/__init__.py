"""Reading a recipe as people write it: lines of text, amounts first or last, the making in sentences."""

from oenomel.core.recipe.reading import MOST_POURS, read_recipe, sections_of
from oenomel.core.recipe.records import Line, Mended, ReadLine, ReadPour, ReadRecipe

__all__ = ["MOST_POURS", "Line", "Mended", "ReadLine", "ReadPour", "ReadRecipe", "read_recipe", "sections_of"]
