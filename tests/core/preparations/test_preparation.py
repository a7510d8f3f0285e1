"""A preparation as written: its lines, its steps, and its measured yield (`oenomel.schemas.preparation_file` reads and writes the file)."""

import pytest
from support.kitchen import preparation

from oenomel.errors import SpecError


def test_what_nobody_knows_or_can_weigh_is_refused_by_its_place(golden):
    with golden.raises(SpecError):
        preparation("syrup", ("dragonfruits", 1, "cup"))
    with golden.raises(SpecError):
        preparation("syrup", ("vanilla pod", 1, "cup"))
    with golden.raises(SpecError):
        preparation("syrup", ("sugar", 0, "g"))


def test_citrus_by_the_piece_is_fruit_and_by_the_millilitre_its_juice():
    fruit, juice = preparation("cordial", ("lemon", 3, "piece"), ("lemon", 100, "ml")).lines
    assert (fruit.name, juice.name) == ("Lemons", "Lemon juice")
    assert fruit.grams == pytest.approx(3 * 84)  # USDA: a fruit without its peel
