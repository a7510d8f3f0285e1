"""What Today, lots and the stillroom say, held to files that are read line by line. To write them anew: OENOMEL_WRITE_GOLDEN=1.

What a bartender would do is common practice (domain.md): a weak lime wants more of it, a sharp one less; what a drink is known by stays.
"""

import os
import re
from pathlib import Path

import pytest
from support.forty_specs import specs
from support.kitchen import preparation

from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.larder_files import catalogue
from oenomel.core.larder.lots import LotReading, lot_of
from oenomel.core.stillroom.by_cup import by_cup_words
from oenomel.core.stillroom.outcome import prepared
from oenomel.core.stillroom.preparation import KitchenStep
from oenomel.core.today.drinks import made_of, todays_drink
from oenomel.interchange.spec.drink import drink_from_spec

LARDER = catalogue()
HERE = Path(__file__).parent
SIMMERED = (KitchenStep("simmer", 12), KitchenStep("skim"), KitchenStep("strain"), KitchenStep("cool", 30))
STEEPED = (KitchenStep("steep", 60), KitchenStep("strain"))
RHUBARB = (("rhubarb", 500, "g"), ("sugar", 400, "g"), ("lemon juice", 100, "ml"))
ELDER = (("elderflowers", 20, "piece"), ("sugar", 1, "kg"), ("water", 1, "l"), ("citric acid", 40, "g"))
BY_CUP = (("sugar", 1, "cup"), ("water", 1, "cup"))
BY_WEIGHT = (("sugar", 100, "g"), ("water", 100, "g"))

PREPARATIONS = (
    ("One to one, by weight", "syrup", BY_WEIGHT, (KitchenStep("dissolve"),), {}),
    ("Two to one, by the cup", "syrup", (("sugar", 2, "cup"), ("water", 1, "cup")), (KitchenStep("simmer", 3),), {}),
    ("Raspberries by the cup, weighed", "fruit syrup", (("raspberries", 2, "cup"), *BY_CUP), SIMMERED, {"weight_g": 520}),
    ("Raspberries by the cup, read", "fruit syrup", (("raspberries", 2, "cup"), *BY_CUP), SIMMERED, {"brix": 45}),
    ("Fruit that nobody described", "fruit syrup", (("fruit", 500, "g"), ("sugar", 300, "g"), ("water", 200, "g")), SIMMERED, {}),
    (
        "Rhubarb, pressed cold",
        "cordial",
        RHUBARB,
        STEEPED,
        {"weight_g": 700},
    ),
    (
        "Elderflower",
        "cordial",
        ELDER,
        STEEPED,
        {},
    ),
    ("Ginger", "syrup", (("ginger", 150, "g"), *BY_CUP), SIMMERED, {"volume_ml": 250}),
    ("Almond", "syrup", (("almonds", 200, "g"), ("water", 500, "ml"), ("sugar", 500, "g")), STEEPED, {}),
    ("Gum", "gum syrup", (("gum arabic", 50, "g"), ("sugar", 400, "g"), ("water", 200, "g")), (KitchenStep("simmer", 5),), {}),
    ("Honey, three to one", "thinned honey", (("honey", 3, "cup"), ("water", 1, "cup")), (KitchenStep("dissolve"),), {}),
    ("Saline, a fifth", "saline", (("salt", 20, "g"), ("water", 80, "g")), (KitchenStep("dissolve"),), {}),
    ("Orange as sharp as lime", "adjusted juice", (("orange juice", 1, "l"), ("citric acid", 32, "g"), ("malic acid", 20, "g")), (), {}),
    ("Acid, six in a hundred", "acid solution", (("citric acid", 6, "g"), ("water", 94, "g")), (), {}),
    ("Gin with berries", "infusion", (("london dry gin", 700, "ml"), ("raspberries", 200, "g"), ("sugar", 100, "g")), STEEPED, {}),
    ("Overproof with peel", "infusion", (("overproof rum", 500, "ml"), ("orange peel", 40, "g")), STEEPED, {}),
    ("Cherries on the fire", "fruit syrup", (("sour cherries", 600, "g"), ("sugar", 500, "g"), ("water", 200, "g")), SIMMERED, {}),
    ("Milk and coffee", "infusion", (("whole milk", 500, "ml"), ("coffee", 30, "g")), STEEPED, {}),
)


def kitchen_told() -> str:
    told = []
    for name, kind, lines, steps, final in PREPARATIONS:
        written = preparation(kind, *lines, steps=steps, name=name, **final)
        made = prepared(written)
        half = 1.2816 * made.brix_sd
        head = f"# {name}: {made.brix:.1f} ± {half:.1f} °Bx, {made.yield_ml:.0f} ml, keeps {made.keeps_days} days"
        told.append("\n".join([head, *made.why, *made.cautions, *filter(None, [by_cup_words(written)]), ""]))
    return "\n".join(told)


def evening_told() -> str:
    told = []
    for acid, brix in ((4.6, 50.0), (7.4, 50.0), (5.9, 44.0)):
        read = {slug: lot_of(LARDER[slug], [LotReading("acid", acid)], "a lot").ingredient for slug in ("lime-juice", "lemon-juice")}
        read |= {"simple-syrup-1-1": lot_of(LARDER["simple-syrup-1-1"], [LotReading("brix", brix)], "a lot").ingredient}
        told.append(f"## Citrus of {acid} g, syrup of {brix:.0f} °Bx")
        for spec in specs({slug: each.kind for slug, each in LARDER.items()}):
            written = drink_from_spec(spec, LARDER)
            found = todays_drink(forecast_of(written), forecast_of(made_of(written, {})), read)
            moves = "; ".join(f"{move.ingredient.name} {move.after_ml:g}, not {move.before_ml:g} ml" for move in found.moves)
            told.append(f"{spec.name}: {found.words}. {moves + '.' if moves else ''} {found.left}".strip().replace("  ", " "))
    return "\n".join(told) + "\n"


@pytest.mark.parametrize(("golden", "made"), [("kitchen.txt", kitchen_told), ("evening.txt", evening_told)])
def test_what_is_said_reads_as_it_was_read(golden, made):
    told, file = made(), HERE / golden
    if os.environ.get("OENOMEL_WRITE_GOLDEN"):
        file.write_text(told, encoding="utf-8")
    assert told == file.read_text(encoding="utf-8")


def test_every_sentence_of_the_kitchen_is_whole():
    for line in kitchen_told().splitlines():
        if line and not line.startswith("# "):
            assert re.fullmatch(r"[A-Z0-9].*[.]", line), line
            assert not re.search(r"  | [.,]|\.\.|\bof of\b|\bNone\b|\{|\bnan\b", line), line


def test_no_correction_pours_away_what_a_drink_is_known_by_and_all_can_be_poured():
    corrections = re.findall(r"([A-Z][\w :'’-]+?) ([\d.]+), not ([\d.]+) ml", evening_told())
    assert len(corrections) > 60
    for _, after, before in corrections:
        assert float(after) % 2.5 == 0
        assert 0.4 <= float(after) / float(before) <= 1.8
