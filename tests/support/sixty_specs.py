"""Sixty drinks of all kinds, as spec files: what is said of them is read line by line in golden files. All are invented."""

from __future__ import annotations

from typing import Any

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import Drink
from oenomel.schemas.spec_file import SpecFile
from oenomel.schemas.spec_to_drink import drink_from_spec

# Name, family, pours as "amount unit slug [stage]", method, serve.
_Told = tuple[str, str, tuple[str, ...], dict[str, Any], dict[str, Any]]

_SLOT_OF_KIND = {
    "juice": "sour", "syrup": "sweet", "sugar": "sweet", "honey": "sweet", "liqueur": "liqueur", "bitters": "accent", "egg": "texture",
    "dairy": "texture", "sparkling": "lengthener", "water": "lengthener", "beer": "lengthener", "cider": "lengthener", "plant": "accent",
    "vinegar": "sour", "seasoning": "seasoning", "wine": "base", "fortified": "base", "spirit": "base", "aromatised": "liqueur",
}  # fmt: skip

SOUR = ("22.5 ml lemon-juice", "22.5 ml simple-syrup-1-1", "60 ml white-rum")
UP = {"glass": "coupe"}
SIXTY: tuple[_Told, ...] = (
    ("Plain sour, up", "sour", SOUR, {}, UP),
    (
        "Sour on cubes, with a wheel",
        "sour",
        ("22.5 ml lime-juice", "15 ml agave-syrup", "60 ml blanco-agave-spirit"),
        {},
        {"glass": "large rocks glass", "ice": "cubes", "garnish": ["lime wheel"]},
    ),
    ("Sour with an egg white", "sour", (*SOUR, "1 piece egg-white", "2 dash aromatic-bitters floated"), {"dry_shake_seconds": 10}, UP),
    (
        "Sour with two whites, the dry shake last",
        "sour",
        (*SOUR, "2 piece egg-white"),
        {"dry_shake_seconds": 8, "dry_shake": "last"},
        {"glass": "coupe", "garnish": ["lemon zest"]},
    ),
    (
        "Sour with pasteurised white",
        "sour",
        (*SOUR, "30 ml egg-white-pasteurised"),
        {"dry_shake_seconds": 12},
        {"glass": "up glass", "garnish": [{"what": "nutmeg", "how": "grated", "why": "warmth over the foam"}]},
    ),
    (
        "Sour with aquafaba on one large cube",
        "sour",
        (*SOUR, "22.5 ml aquafaba"),
        {"dry_shake_seconds": 15},
        {"glass": "small rocks glass", "ice": "large", "garnish": [{"what": "bay leaf", "how": "on the foam", "why": "echoes the syrup"}]},
    ),
    (
        "Three cubes for an egg drink",
        "sour",
        ("1 piece whole-egg", "15 ml simple-syrup-2-1", "60 ml aged-rum"),
        {"ice_pieces": 3, "ice_piece_g": 45, "ice": "large"},
        {"glass": "wine glass", "garnish": ["nutmeg"]},
    ),
    (
        "Yolk and port",
        "open",
        ("1 piece egg-yolk", "10 ml simple-syrup-1-1", "60 ml ruby-fortified-wine"),
        {"seconds": [8, 10]},
        {"glass": "up glass", "garnish": [{"what": "nutmeg", "how": "grated"}]},
    ),
    ("Dry sugar and lemon", "sour", ("2 tsp caster-sugar", "22.5 ml lemon-juice", "60 ml cognac"), {}, UP),
    (
        "Sugar cube and bitters, built",
        "open",
        ("1 piece sugar-cube", "3 dash aromatic-bitters", "60 ml rye-whiskey"),
        {"technique": "build", "ice": "none"},
        {"glass": "small rocks glass", "ice": "large", "garnish": ["orange peel, expressed and dropped in"]},
    ),
    (
        "Sugar cube and juice",
        "sour",
        ("1 piece sugar-cube", "15 ml lime-juice", "60 ml cachaca"),
        {},
        {"glass": "small rocks glass", "ice": "cubes"},
    ),
    (
        "Honey in the tin",
        "sour",
        ("22.5 ml lemon-juice", "15 ml honey", "60 ml london-dry-gin"),
        {"sign": "the honey is gone from the bottom"},
        UP,
    ),
    ("Leaves in the tin", "sour", ("9 leaf mint", *SOUR), {}, {"glass": "coupe", "garnish": ["mint leaf"]}),
    (
        "Crushed, swizzled, with a float",
        "open",
        ("8 leaf mint", "22.5 ml lime-juice", "15 ml simple-syrup-1-1", "45 ml white-rum", "15 ml overproof-rum floated"),
        {"technique": "swizzle", "ice": "crushed"},
        {"glass": "tall glass", "ice": "crushed", "garnish": ["mint sprig"]},
    ),
    (
        "Berries muddled",
        "sour",
        ("5 piece raspberries", *SOUR),
        {},
        {"glass": "coupe", "garnish": [{"what": "raspberry", "how": "on a pick", "instead": "a blackberry"}]},
    ),
    (
        "Wedges muddled",
        "sour",
        ("4 piece lime-wedge", "2 tsp caster-sugar", "60 ml cachaca"),
        {"technique": "build", "ice": "none"},
        {"glass": "small rocks glass", "ice": "crushed"},
    ),
    (
        "Pineapple in the tin",
        "sour",
        ("30 ml pineapple-juice", "15 ml lime-juice", "10 ml simple-syrup-1-1", "60 ml aged-rum"),
        {},
        {"glass": "coupe", "garnish": ["pineapple wedge"]},
    ),
    (
        "Daisy with a whole salted edge",
        "daisy",
        ("45 ml blanco-agave-spirit", "22.5 ml orange-liqueur-dry", "22.5 ml lime-juice", "2 g salt rim"),
        {},
        UP,
    ),
    (
        "Daisy with half an edge, wetted with lemon",
        "daisy",
        ("45 ml cognac", "22.5 ml orange-liqueur-sweet", "22.5 ml lemon-juice", "1 tsp caster-sugar rim"),
        {},
        {"glass": "coupe", "edge": {"half": True, "wetted_with": "lemon"}, "garnish": ["orange zest"]},
    ),
    (
        "Daisy with chilli salt and honey",
        "daisy",
        ("45 ml smoked-agave-spirit", "20 ml orange-liqueur-dry", "22.5 ml lime-juice", "3 g chilli-salt rim"),
        {"technique": "shake"},
        {"glass": "large rocks glass", "ice": "cubes", "edge": {"half": True, "wetted_with": "honey"}, "garnish": ["lime wheel"]},
    ),
    (
        "Daisy with a splash on top",
        "daisy",
        ("45 ml london-dry-gin", "22.5 ml orange-liqueur-dry", "15 ml lemon-juice", "30 ml soda-water topped"),
        {},
        {"glass": "small tall glass", "ice": "cubes"},
    ),
    (
        "Fizz on cubes",
        "fizz",
        ("60 ml london-dry-gin", "22.5 ml lemon-juice", "22.5 ml simple-syrup-1-1", "90 ml soda-water topped"),
        {},
        {"glass": "tall glass", "ice": "cubes", "garnish": ["lemon wheel"]},
    ),
    (
        "Fizz without ice, with foam",
        "fizz",
        ("45 ml london-dry-gin", "22.5 ml lemon-juice", "22.5 ml simple-syrup-1-1", "30 ml egg-white", "45 ml soda-water topped"),
        {"dry_shake_seconds": 10},
        {"glass": "small tall glass"},
    ),
    (
        "Fizz, sparkling wine first and last",
        "fizz",
        ("45 ml london-dry-gin", "22.5 ml lemon-juice", "20 ml simple-syrup-1-1", "60 ml sparkling-brut topped"),
        {"sparkling": "both"},
        {"glass": "wine glass", "garnish": ["lemon zest, expressed and thrown away"]},
    ),
    (
        "Fizz, sparkling wine first",
        "fizz",
        ("30 ml cognac", "15 ml lemon-juice", "10 ml simple-syrup-1-1", "60 ml sparkling-brut topped"),
        {"sparkling": "first"},
        {"glass": "flute"},
    ),
    (
        "Cream fizz",
        "fizz",
        (
            "45 ml old-style-sweetened-gin",
            "15 ml lemon-juice",
            "15 ml lime-juice",
            "22.5 ml simple-syrup-1-1",
            "30 ml egg-white",
            "30 ml heavy-cream",
            "3 drop orange-flower-water",
            "45 ml soda-water topped",
        ),
        {"dry_shake_seconds": 30},
        {"glass": "small tall glass", "chilled": True},
    ),
    ("Soda that the spec shakes", "fizz", (*SOUR, "60 ml soda-water"), {}, {"glass": "tall glass", "ice": "cubes"}),
    (
        "Ginger beer, built",
        "fizz",
        ("50 ml vodka", "15 ml lime-juice", "100 ml ginger-beer topped"),
        {"technique": "build", "ice": "none"},
        {"glass": "tall glass", "ice": "cubes", "garnish": ["lime wedge"]},
    ),
    (
        "Stirred in a rinsed glass",
        "open",
        ("60 ml rye-whiskey", "30 ml sweet-vermouth", "1 barspoon anise-wormwood-spirit rinse"),
        {"technique": "stir", "seconds": 25},
        {"glass": "coupe", "garnish": ["lemon peel, expressed and thrown away"]},
    ),
    (
        "Stirred on a large cube",
        "open",
        ("45 ml corn-whiskey", "20 ml sweet-vermouth", "20 ml red-bitter-aperitif", "1 dash orange-bitters"),
        {"technique": "stir", "ice": "large"},
        {"glass": "small rocks glass", "ice": "large", "garnish": ["orange slice"]},
    ),
    (
        "Rolled tomato",
        "open",
        ("45 ml vodka", "120 ml tomato-juice", "15 ml lemon-juice", "3 dash worcestershire-sauce", "1 g celery-salt rim"),
        {"technique": "roll"},
        {"glass": "tall glass", "ice": "cubes", "garnish": ["celery stalk"]},
    ),
    (
        "Blended",
        "daisy",
        ("45 ml white-rum", "22.5 ml lime-juice", "22.5 ml simple-syrup-1-1", "10 ml cherry-stone-liqueur"),
        {"technique": "blend", "ice": "crushed", "seconds": 20},
        UP,
    ),
    (
        "Strained through nothing",
        "sour",
        ("4 piece lime-wedge", "22.5 ml simple-syrup-1-1", "60 ml cachaca"),
        {"strain": "none", "seconds": 5},
        {"glass": "large rocks glass", "ice": "none", "chilled": False},
    ),
    ("A part waits in the glass", "daisy", ("10 ml blackcurrant-creme glass", *SOUR), {}, UP),
    (
        "Steps of its own",
        "sour",
        SOUR,
        {
            "steps": [
                {"text": "a strip of lemon peel into the tin", "before": "shake"},
                {"text": "Wipe the rim dry.", "before": "serve"},
                {"text": "Double strain, slowly, over the back of a spoon", "instead_of": "strain"},
                {"text": "", "instead_of": "chill"},
            ]
        },
        UP,
    ),
    ("An order of its own", "sour", SOUR, {"order": ["pour: white-rum", "pour: lemon-juice", "pour: simple-syrup-1-1"]}, UP),
    (
        "Without alcohol, long",
        "fizz",
        ("45 ml verjus", "20 ml simple-syrup-1-1", "2 dash aromatic-bitters", "90 ml soda-water topped"),
        {"technique": "build", "ice": "none"},
        {"glass": "tall glass", "ice": "cubes", "garnish": [{"what": "cucumber ribbon", "how": "inside the glass", "why": "for the nose"}]},
    ),
    (
        "From the bottle",
        "open",
        ("90 ml sweet-vermouth", "2 dash orange-bitters"),
        {"technique": "none", "ice": "none"},
        {"glass": "up glass", "chilled": True, "note": "It was made on Friday and keeps for a week", "garnish": ["olives"]},
    ),
    (
        "Mixed without ice",
        "open",
        ("30 ml lime-juice", "30 ml simple-syrup-1-1", "60 ml still-water"),
        {"technique": "stir", "ice": "none"},
        {"glass": "tiny cup"},
    ),
    (
        "Two of one thing, to the eye",
        "sour",
        ("30 ml white-rum", "30 ml white-rum", "1 splash lime-juice", "5 drop saline", "0.5 barspoon honey-syrup"),
        {},
        UP,
    ),
    ("Tart, four to two to one", "sour", ("30 ml lemon-juice", "15 ml simple-syrup-1-1", "60 ml london-dry-gin"), {}, UP),
    ("Generous, two to one to one", "sour", ("30 ml lime-juice", "30 ml simple-syrup-1-1", "60 ml aged-rum"), {}, UP),
    ("Dry, with a rich syrup", "sour", ("15 ml lemon-juice", "7.5 ml simple-syrup-2-1", "60 ml rye-whiskey"), {}, UP),
    ("Far too sweet", "sour", ("7.5 ml lime-juice", "60 ml simple-syrup-2-1", "45 ml white-rum"), {}, UP),
    ("Far too sharp", "sour", ("60 ml lime-juice", "5 ml simple-syrup-1-1", "45 ml white-rum"), {}, UP),
    ("Without a sweetener", "sour", ("22.5 ml lemon-juice", "60 ml cognac"), {}, UP),
    ("Without anything sharp", "sour", ("22.5 ml simple-syrup-1-1", "60 ml cognac"), {}, UP),
    ("Overproof", "sour", ("22.5 ml lime-juice", "22.5 ml simple-syrup-1-1", "60 ml overproof-rum"), {}, UP),
    ("A split base", "sour", ("22.5 ml lemon-juice", "20 ml honey-syrup", "30 ml aged-rum", "30 ml cognac"), {}, UP),
    ("A liqueur, a sharp one", "daisy", ("15 ml lemon-juice", "30 ml sloe-liqueur", "45 ml london-dry-gin"), {}, UP),
    ("Two liqueurs", "daisy", ("22.5 ml lime-juice", "15 ml orange-liqueur-dry", "7.5 ml cherry-stone-liqueur", "45 ml white-rum"), {}, UP),
    (
        "A salted rim and agave",
        "daisy",
        ("22.5 ml lime-juice", "5 ml agave-syrup", "22.5 ml orange-liqueur-sweet", "45 ml blanco-agave-spirit", "2 g salt rim"),
        {},
        {"glass": "coupe", "edge": {"half": True}},
    ),
    (
        "A little liqueur only",
        "daisy",
        ("22.5 ml lemon-juice", "22.5 ml simple-syrup-1-1", "2.5 ml apricot-liqueur", "45 ml cognac"),
        {},
        UP,
    ),
    (
        "Ginger beer on top",
        "fizz",
        ("15 ml lime-juice", "45 ml dark-rum", "100 ml ginger-beer topped"),
        {},
        {"glass": "tall glass", "ice": "cubes"},
    ),
    (
        "Sparkling wine on top",
        "fizz",
        ("15 ml lemon-juice", "15 ml simple-syrup-1-1", "30 ml cognac", "75 ml sparkling-brut topped"),
        {},
        {"glass": "flute"},
    ),
    (
        "Tonic and grapefruit",
        "fizz",
        ("30 ml grapefruit-juice", "45 ml london-dry-gin", "100 ml tonic-water topped"),
        {},
        {"glass": "tall glass", "ice": "cubes"},
    ),
    (
        "Non-alcoholic, long",
        "fizz",
        ("30 ml lime-juice", "30 ml elderflower-cordial", "100 ml soda-water topped", "6 leaf mint"),
        {},
        {"glass": "tall glass", "ice": "cubes"},
    ),
    ("Too much for its glass", "sour", ("60 ml lemon-juice", "60 ml simple-syrup-1-1", "120 ml white-rum"), {}, {"glass": "coupe"}),
    ("A bottle of it", "sour", ("180 ml lime-juice", "180 ml simple-syrup-1-1", "450 ml white-rum"), {}, {}),
    ("Large, and watery", "sour", ("22.5 ml lime-juice", "60 ml orange-juice", "15 ml simple-syrup-1-1", "60 ml white-rum"), {}, UP),
)


def sixty() -> list[tuple[SpecFile, Drink]]:
    """Each spec file with the drink that it is, by the catalogue."""
    larder = catalogue()
    return [(spec, drink_from_spec(spec, larder)) for spec in specs({slug: each.kind for slug, each in larder.items()})]


def specs(slots: dict[str, str]) -> list[SpecFile]:
    """The sixty as spec files; ``slots`` gives the kind of each slug."""
    return [_spec(told, slots) for told in SIXTY]


def _spec(told: _Told, kinds: dict[str, str]) -> SpecFile:
    name, family, pours, method, serve = told
    entries = []
    for line in pours:
        amount, unit, slug, *stage = line.split()
        put = stage[0] if stage else "mixed"
        slot = {"rim": "edge"}.get(put, _SLOT_OF_KIND.get(kinds.get(slug, ""), "other"))
        entries.append({"ingredient": slug, "amount": float(amount), "unit": unit, "slot": slot, "stage": put})
    return SpecFile.model_validate(
        {"format": "oenomel/spec", "version": 1, "name": name, "family": family, "pours": entries, "method": method, "serve": serve}
    )
