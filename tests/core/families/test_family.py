"""The families, their slots and schools, and the typical range computed from the schools."""

import pytest

from oenomel.core.families.family import families
from oenomel.core.larder.catalogue_loader import catalogue


def test_each_slot_of_each_family_can_be_filled_from_the_larder():
    for family in families().values():
        for slot in family.slots:
            choices = [i for i in catalogue().values() if slot.slot in i.slots]
            assert len(choices) >= (3 if slot.required else 1), f"{family.slug}: {slot.slot}"


def test_schools_pour_the_proportions_of_their_names():
    # Strong : sour : sweet, or strong : liqueur : sour, of the pours in the tin.
    proportions = {
        "sour-2-1-1": (2, 1, 1), "sour-8-3-3": (8, 3, 3), "sour-8-2-1": (8, 2, 1), "sour-4-2-1": (4, 2, 1), "sour-foam": (8, 3, 3),
        "daisy-3-2-1": (3, 2, 1), "daisy-2-1-1": (2, 1, 1), "daisy-with-syrup": (1.5, 0.75, 1), "daisy-equal": (1, 1, 0.5),
        "fizz-soda": (2, 1, 0.75), "fizz-sparkling": (2, 1, 0.75), "fizz-short": (1.5, 0.75, 0.75), "fizz-8-3-3": (8, 3, 3),
        "fizz-4-2-1": (4, 2, 1), "sour-free-2-1-1": (2, 1, 1), "sour-free-tea": (8, 3, 3), "sour-free-tart": (2, 1, 0.75),
        "sour-free-foam": (8, 3, 3), "daisy-free-syrup": (2, 1, 1), "daisy-free-orange": (3, 2, 1),
        "daisy-free-splash": (1.5, 0.75, 0.75), "fizz-free-grapefruit": (1, 2, 0.5), "fizz-free-2-1-1": (2, 1, 1),
        "fizz-free-lemon": (1, 1, 4), "fizz-juice-orange": (3, 8), "fizz-juice-pineapple": (3, 6, 1),
        "fizz-juice-grapefruit": (1, 2, 1 / 6), "fizz-juice-cranberry": (3, 6, 1),
    }  # fmt: skip
    schools = {school.slug: school for family in families().values() for school in family.schools if family.has_home}
    assert schools.keys() == proportions.keys()
    for slug, parts in proportions.items():
        volumes = [pour.volume_ml for pour in schools[slug].drink.pours[:3]]
        assert [v / volumes[0] for v in volumes] == pytest.approx([p / parts[0] for p in parts]), slug
