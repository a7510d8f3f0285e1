"""Specs of one drink from books and colleagues: their spread, the median and outliers (common practice)."""

from support.drinks import drink

from oenomel.core.dilution.ice_conditions import Conditions
from oenomel.core.trials.spec_cloud import middle_of, spec_cloud_of

USUAL = Conditions()


def test_the_middle_of_many_specs_can_be_poured_and_an_outlier_is_named(golden):
    specs = [
        drink(("rye-whiskey", 60), ("lemon-juice", 22.5), ("simple-syrup-1-1", syrup)) for syrup in (20, 22.5, 22.5, 25)
    ] + [drink(("rye-whiskey", 30), ("lemon-juice", 10), ("simple-syrup-1-1", 60))]  # fmt: skip
    cloud = spec_cloud_of(specs, USUAL)
    assert [pour.volume_ml for pour in cloud.middle.pours] == [60, 22.5, 22.5]
    assert [point.outlier for point in cloud.points] == [False] * 4 + [True]
    golden(cloud.sentence)
    assert middle_of(specs[:1] * 3) == specs[0]
    alone = spec_cloud_of(specs[:1], USUAL)
    assert (len(alone.points), alone.middle, alone.points[0].outlier) == (1, None, False)
    golden(alone.sentence)


def test_a_middle_leaves_out_what_few_of_them_pour_and_keeps_two_of_a_slot_apart():
    split = drink(("london-dry-gin", 30), ("white-rum", 30), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5))
    odd = drink(("london-dry-gin", 30), ("white-rum", 30), ("lemon-juice", 22.5), ("simple-syrup-1-1", 22.5), ("aromatic-bitters", 1.6))
    middle = middle_of([split, split, odd])
    assert [pour.ingredient.slug for pour in middle.pours] == ["london-dry-gin", "white-rum", "lemon-juice", "simple-syrup-1-1"]
