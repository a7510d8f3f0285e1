"""Recipes in thirty-one hands: every pour right or marked as doubtful, no line lost."""

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.core.recipe_text.parser import read_recipe, sections_of
from oenomel.core.recipe_text.read_recipe import LineCorrection

INDEX = Index(Findable.of(each) for each in catalogue().values())

# The text, and below "=": family, technique, glass, then a pour a line as it has to be read; a trailing ? where it has to be marked.
HANDS = """
Potting Shed Sour

60 ml gin
22.5 ml fresh lemon juice
22.5 ml simple syrup
1 egg white

Dry shake for 10 seconds, then shake hard with ice for 10-12 seconds. Double strain into a chilled coupe. Garnish with a lemon twist.
= sour shake coupe
60 ml london-dry-gin base mixed
22.5 ml lemon-juice sour mixed
22.5 ml simple-syrup-1-1 sweet mixed
30 ml egg-white texture mixed
%%
Bench Margin
- 2 oz tequila blanco
- 1 oz triple sec
- 1 oz fresh lime juice
- ¼ oz agave nectar (optional)
- Salt rim
Shake with ice and strain over fresh ice in a rocks glass. Garnish: lime wheel
= daisy shake large rocks glass
2 oz blanco-agave-spirit base mixed
1 oz orange-liqueur-sweet liqueur mixed
1 oz lime-juice sour mixed
0.25 oz agave-syrup sweet mixed
1 tsp salt edge rim
%%
60 ml bourbon, 30 ml lemon juice, 20 ml rich simple syrup (2:1), 2 dashes bitters. Shake 12 seconds, strain into a coupe.
= sour shake coupe
60 ml corn-whiskey base mixed
30 ml lemon-juice sour mixed
20 ml simple-syrup-2-1 sweet mixed
2 dash aromatic-bitters accent mixed
%%
Garden Fizz
Gin 4.5cl
Lemon juice 3 cl
Sugar syrup 2cl
Soda water to top
Build in a highball over cubed ice, stir gently.
= fizz build tall glass
4.5 cl london-dry-gin base mixed
3 cl lemon-juice sour mixed
2 cl simple-syrup-1-1 sweet mixed
75 ml soda-water lengthener topped ?
%%
Orchard Daisy
Ingredients:
* 1½ oz Calvados
* ¾ oz elderflower liqueur
* 3/4 oz lemon
* 1 barspoon grenadine
Method:
1. Add all ingredients to a shaker.
2. Shake with ice for 15 seconds.
3. Fine strain into a Nick & Nora.
4. Express a lemon peel over the drink and discard.
= daisy shake up glass
1.5 oz calvados base mixed
0.75 oz elderflower-liqueur liqueur mixed
0.75 oz lemon-juice sour mixed
1 barspoon grenadine sweet mixed
%%
2 parts mezcal
1 part lime juice
1 part honey syrup
Shake, serve up.
= sour shake -
2 part smoked-agave-spirit base mixed
1 part lime-juice sour mixed
1 part honey-syrup sweet mixed
%%
Equal parts gin, maraschino, lime juice and green herbal liqueur. Shake and strain.
= daisy shake -
1 part london-dry-gin base mixed
1 part cherry-stone-liqueur liqueur mixed
1 part lime-juice sour mixed
1 part herbal-liqueur liqueur mixed
%%
GLASSHOUSE SWIZZLE
45 ml Jamaican rum / 15 ml falernum / 30 ml lime juice / 10 ml demerara syrup / 8 mint leaves / 2 dashes aromatic bitters on top
Swizzle with crushed ice in a tall glass. Mint sprig.
= daisy swizzle tall glass
45 ml jamaican-rum base mixed
15 ml spiced-lime-liqueur liqueur mixed
30 ml lime-juice sour mixed
10 ml demerara-syrup sweet mixed
8 leaf mint accent mixed
2 dash aromatic-bitters accent floated
%%
Herb Bed Highball
60 gin
25 lemon
20 sugar syrup
top with prosecco
rinse the glass with absinthe
= fizz shake -
60 ml london-dry-gin base mixed
25 ml lemon-juice sour mixed
20 ml simple-syrup-1-1 sweet mixed
75 ml prosecco lengthener topped ?
1.5 ml anise-wormwood-spirit accent rinse
%%
White Border
1 ounce and a half of white rum
an ounce of lime juice
three-quarters of an ounce of simple syrup
a few drops of saline
Shake. Strain. Enjoy!
= sour shake -
1.5 oz white-rum base mixed
1 oz lime-juice sour mixed
0.75 oz simple-syrup-1-1 sweet mixed
3 drop saline seasoning mixed
%%
Red Float Sour
2 oz rye
1 oz lemon
3/4 oz simple
1/2 oz dry red wine, floated
Shake all but the wine with ice, strain over a large cube in a rocks glass, float the wine.
= sour shake large rocks glass
2 oz rye-whiskey base mixed
1 oz lemon-juice sour mixed
0.75 oz simple-syrup-1-1 sweet mixed
0.5 oz red-wine-dry lengthener floated
%%
Gin (60 ml), Lemon juice (30 ml), Honey syrup: 15 ml. Shake.
= sour shake -
60 ml london-dry-gin base mixed
30 ml lemon-juice sour mixed
15 ml honey-syrup sweet mixed
%%
Two Tellings
60 ml / 2 oz gin
1 oz (30 ml) lime juice
22.5 ml (¾ oz) simple syrup
= sour shake -
60 ml london-dry-gin base mixed
1 oz lime-juice sour mixed
22.5 ml simple-syrup-1-1 sweet mixed
%%
Foam by Name: 50 ml pisco, 30 ml lime juice, 20 ml sugar syrup, white of an egg, 3 drops of bitters on the foam
= sour shake -
50 ml grape-spirit base mixed
30 ml lime-juice sour mixed
20 ml simple-syrup-1-1 sweet mixed
30 ml egg-white texture mixed
3 drop aromatic-bitters accent floated
%%
Dotted
London dry gin ........ 50 ml
Crème de violette ..... 7,5 ml
Maraschino ............ 15 ml
Lemon juice ........... 22,5 ml
= daisy shake -
50 ml london-dry-gin base mixed
7.5 ml violet-liqueur accent mixed
15 ml cherry-stone-liqueur liqueur mixed
22.5 ml lemon-juice sour mixed
%%
Old Measures
1 jigger gin
1 lime
1 tsp superfine sugar
Rim: half salt
= sour shake -
45 ml london-dry-gin base mixed ?
22.5 ml lime-juice sour mixed
1 tsp caster-sugar sweet mixed
1 tsp salt edge rim
%%
Amounts in cl
4 Cognac
2 triple sec
2 Lemon
Serve in a flute
= daisy shake flute
4 cl cognac base mixed
2 cl orange-liqueur-sweet liqueur mixed
2 cl lemon-juice sour mixed
%%
Slow Stir
2 oz rye
1 oz sweet vermouth
2 dashes Angelica bitters
Stir 30 seconds with ice, strain into a chilled coupe. Brandied cherry.
= open stir coupe
2 oz rye-whiskey base mixed
1 oz sweet-vermouth liqueur mixed
2 dash aromatic-bitters accent mixed ?
%%
Relative
Gin: 2 oz
Lemon juice: half as much as the gin
Simple syrup - same as the lemon
= sour shake -
2 oz london-dry-gin base mixed
1 oz lemon-juice sour mixed
1 oz simple-syrup-1-1 sweet mixed
%%
Doubts
2 oz Quillmere gin
1 oz Hedge Witch cordial
.75 oz lemon jiuce
1½ oz rum or vodka
= open shake -
2 oz london-dry-gin base mixed ?
1 oz inline:Hedge Witch cordial other mixed ?
0.75 oz lemon-juice sour mixed ?
1.5 oz white-rum base mixed ?
%%
The Herb Frame (serves 1)

Ingredients
• 50ml gin
• 25ml lemon juice, freshly squeezed
• 15 ml sugar syrup (2:1 ratio)
• A few basil leaves

Method
Muddle the basil in the base of a shaker. Add remaining ingredients and dry shake for 15 seconds.
Add ice and shake again. Fine strain into a chilled coupe glass.
= sour shake coupe
50 ml london-dry-gin base mixed
25 ml lemon-juice sour mixed
15 ml simple-syrup-2-1 sweet mixed
3 leaf basil accent mixed
%%
Smoke by the Ounce
1.5 oz. Mezcal
.75 oz. Lime juice
.5 oz. Agave syrup
1 pinch sea salt
Add everything, shake with ice, double-strain over fresh ice. Glass: rocks
= sour shake large rocks glass
1.5 oz smoked-agave-spirit base mixed
0.75 oz lime-juice sour mixed
0.5 oz agave-syrup sweet mixed
0.3 g salt seasoning mixed
%%
3/4 oz each: gin, lemon juice, maraschino, green herbal liqueur
= daisy shake -
0.75 oz london-dry-gin base mixed
0.75 oz lemon-juice sour mixed
0.75 oz cherry-stone-liqueur liqueur mixed
0.75 oz herbal-liqueur liqueur mixed
%%
Border Piped | 2oz dark rum | 1oz pineapple juice | .5oz lime juice | .5oz orgeat | mint sprig | crushed ice
= sour shake -
2 oz dark-rum base mixed
1 oz pineapple-juice sour mixed
0.5 oz lime-juice sour mixed
0.5 oz almond-syrup sweet mixed
%%
gin 2oz, lemon .75oz, simple .75oz, shake, coupe, lemon twist
= sour shake coupe
2 oz london-dry-gin base mixed
0.75 oz lemon-juice sour mixed
0.75 oz simple-syrup-1-1 sweet mixed
%%
Well by the Gate
2 ounces vodka
4 ounces ginger beer
½ ounce lime juice
Combine vodka and lime juice in a copper mug filled with ice. Top with ginger beer. Salt the rim of it.
= fizz build copper mug
2 oz vodka base mixed
4 oz ginger-beer lengthener topped
0.5 oz lime-juice sour mixed
1 tsp salt edge rim
%%
My Orchard Cooler Recipe
Serves: 1

For the syrup:
200 g sugar
200 ml water

For the drink:
60 ml vodka
30 ml lime juice (about 1 lime)
20 ml of the syrup
Soda, to top up
Put everything in a shaker with plenty of ice and shake for about 15 seconds. Strain into a highball filled with ice and top up with soda.
= fizz shake tall glass
60 ml vodka base mixed
30 ml lime-juice sour mixed
20 ml simple-syrup-1-1 sweet mixed
75 ml soda-water lengthener topped ?
%%
Gin - 50
Elderflower liqueur -20
Lemon - 20
Apple juice, cloudy - 30
2 ds orange bitters
4 raspberries, muddled
6 mint sprigs
Shake & strain into collins, ice.
= daisy shake tall glass
50 ml london-dry-gin base mixed
20 ml elderflower-liqueur liqueur mixed
20 ml lemon-juice sour mixed
30 ml apple-juice sour mixed
2 dash orange-bitters accent mixed
4 piece raspberries accent mixed
6 piece mint accent mixed
%%
# Bed by the Wall

| Amount | Ingredient |
|---|---|
| 50 ml | gin |
| 25 ml | lemon juice |
| 12.5 ml | honey syrup |
| 4 | basil leaves |

Shake hard with cubed ice (12s). Fine-strain into two fizz glasses. Half rim of salt/pepper
= sour shake small tall glass
50 ml london-dry-gin base mixed
25 ml lemon-juice sour mixed
12.5 ml honey-syrup sweet mixed
4 leaf basil accent mixed
1 tsp salt edge rim
%%
Pea Frame -- 2oz gin, .75oz lime, .75oz pea syrup. Shake/strain/coupe. Dust w/ nutmeg.
= open shake coupe
2 oz london-dry-gin base mixed
0.75 oz lime-juice sour mixed
0.75 oz inline:pea syrup other mixed ?
%%
Serves 2
Build in a wine glass over ice:
80 ml bianco vermouth
40 ml elderflower cordial
top cava
= open build wine glass
80 ml white-sweet-vermouth liqueur mixed
40 ml elderflower-cordial sweet mixed
75 ml cava lengthener topped ?
"""
CASES = [case.strip().split("\n= ") for case in HANDS.split("%%")]
DOUBTS = next(text for text, _ in CASES if text.startswith("Doubts"))


def read(text, **mended):
    return read_recipe(sections_of(text), INDEX, catalogue().__getitem__, **mended)


@pytest.mark.parametrize(("text", "told"), CASES, ids=[text.split("\n")[0][:24] for text, _ in CASES])
def test_every_pour_is_right_or_marked_and_no_line_is_lost(text, told):
    recipe = read(text)
    (family, technique, *glass), *wanted = (line.split() for line in told.splitlines())
    sure = {line.pour: line.sure for line in recipe.lines if line.pour is not None}
    pours = [
        f"{pour.amount:g} {pour.unit} {pour.ingredient.slug if pour.ingredient else f'inline:{pour.words}'} {pour.slot} {pour.stage}"
        + ("" if sure[at] else " ?")
        for at, pour in enumerate(recipe.pours)
    ]
    assert pours == [" ".join(words) for words in wanted]
    assert (recipe.guess.family, recipe.made.technique, recipe.made.glass or "-") == (family, technique, " ".join(glass))
    # Each word of the text stands in a line that was told, or is told as a note.
    kept = " ".join(line.text for line in recipe.lines).lower()
    lost = [
        word for word in text.lower().replace("/", " ").split() if word.strip(".,:;-–*•()") not in kept and any(c.isalnum() for c in word)
    ]
    assert [word for word in lost if not word.rstrip(".").isdigit()] == []


def test_the_making_is_taken_from_its_sentences():
    made = read(CASES[0][0]).made
    assert (made.seconds, made.dry_shake_seconds, made.strain, made.garnish) == ((10, 12), 10, "double", ("lemon twist",))
    text = """Long One
    45 ml gin
    20 ml lemon juice
    15 ml honey syrup
    Whip. Shake with crushed ice for ten seconds and pour over crushed ice in a julep cup, no straw.
    Half-rim the glass with sugar. Garnish with a mint sprig and a lime wheel."""
    recipe = read(text)
    assert (recipe.made.method_ice, recipe.made.serve_ice, recipe.made.glass) == ("crushed", "crushed", "julep cup")
    assert recipe.made.garnish == ("mint sprig", "lime wheel")
    (rim,) = [pour for pour in recipe.pours if pour.stage == "rim"]
    assert (rim.ingredient.slug, rim.said) == ("caster-sugar", None)
    assert recipe.notes == ("Whip.",) or "Whip" in " ".join(recipe.notes)


def test_what_nobody_told_is_asked_and_never_guessed_as_nothing(golden):
    recipe = read("A Question\n60 ml gin\nlime juice\nsimple syrup to taste\n30 ml\nIt was first made on a Tuesday by the river gate.")
    assert [pour.ingredient.slug for pour in recipe.pours] == ["london-dry-gin"]
    asked = {line.asks: line for line in recipe.lines if line.taken == "asked"}
    assert set(asked) == {"lime-juice", "simple-syrup-1-1"}
    assert all(line.pour is None and not line.sure and line.why for line in asked.values())
    assert "It was first made on a Tuesday by the river gate." in recipe.notes
    golden({line.text: line.why for line in recipe.lines if not line.sure})
    # Said, it is poured.
    mended = {"simple syrup to taste": LineCorrection(amount="¾ oz"), "lime juice": LineCorrection(left_out=True)}
    told = read("A Question\n60 ml gin\nlime juice\nsimple syrup to taste", mended=mended)
    assert [(pour.ingredient.slug, pour.amount, pour.unit) for pour in told.pours[1:]] == [("simple-syrup-1-1", 0.75, "oz")]
    chosen = read(DOUBTS, mended={"1 oz Hedge Witch cordial": LineCorrection(slug="elderflower-cordial")})
    assert (chosen.pours[1].ingredient.slug, chosen.pours[1].slot, chosen.guess.family) == ("elderflower-cordial", "sweet", "sour")


def test_what_goes_in_by_the_piece_is_counted_or_asked_and_what_is_poured_further_down_is_asked_no_more():
    recipe = read("By the Piece\n50 ml gin\nhalf a lemon, cut in wedges\n3 slices orange\nsoda water\nTop with soda water.")
    taken = {line.text: (line.taken, line.asks) for line in recipe.lines}
    assert taken["half a lemon, cut in wedges"] == ("asked", "lemon-juice")
    assert taken["3 slices orange"] == ("note", "")
    assert taken["soda water"] == ("made", "")
    assert [pour.ingredient.slug for pour in recipe.pours] == ["london-dry-gin", "soda-water"]
    # What a note was meant for may be said, and the recipe of a syrup is none of the drink's.
    text = "Mended\n50 ml gin\n3 slices orange\n30 ml\nHalf rim of moon dust\nFor the syrup:\n200 g sugar\n"
    text += "Shake 10 seconds, strain into a coupe."
    assert [(line.text, line.taken) for line in read(text).lines if not line.sure] == [
        ("3 slices orange", "note"), ("30 ml", "note"), ("Half rim of moon dust", "note"),
    ]  # fmt: skip
    said = {
        "3 slices orange": LineCorrection(slug="orange-juice", amount="15 ml"),
        "30 ml": LineCorrection(slug="lemon-juice"),
        "Half rim of moon dust": LineCorrection(slug="caster-sugar"),
    }
    mended = read(text, mended=said)
    assert [(pour.ingredient.slug, pour.amount) for pour in mended.pours[1:]] == [
        ("orange-juice", 15),
        ("lemon-juice", 30),
        ("caster-sugar", 1),
    ]
    assert (mended.made.technique, mended.made.seconds, mended.made.glass) == ("shake", (10, 10), "coupe")
    assert mended.notes == ("For the syrup:", "200 g sugar")
    # What stands in the shaker is not what stands in the glass.
    iced = read("X\n60 ml gin\n30 ml lime juice\nPour into a shaker filled with ice. Shake well. Strain into a cocktail glass.").made
    assert (iced.serve_ice, iced.glass) == (None, "up glass")
    assert read("X\n60 ml gin\n30 ml lime juice\nShake, double strain over crushed.").made.serve_ice == "crushed"


def test_a_range_keeps_both_its_ends_and_a_by_eye_word_stays():
    recipe = read("By Eye\n6 or 7 mint leaves\n45-50 ml gin\nabout 20 ml lime juice\na splash of soda water")
    assert [(pour.amount, pour.ends) for pour in recipe.pours[:2]] == [(6.5, (6, 7)), (47.5, (45, 50))]
    assert [pour.said for pour in recipe.pours[2:]] == ["about 20 ml", "a splash"]


@example(["60", ":", "-", "60"])
@example(["gin", "(", "-60", "ml", ")"])
@given(
    st.lists(
        st.sampled_from(
            [
                "60",
                "ml",
                "gin,",
                "2",
                "oz",
                "¾",
                "lime",
                "juice",
                "top",
                "with",
                "soda",
                "garnish",
                "shake",
                "(",
                ")",
                ":",
                "-",
                "/",
                "&",
                "half",
                "a",
                "\n",
                "<b>",
                "12",
                "s",
            ]
        ),
        max_size=30,
    )
)
def test_no_text_breaks_the_reader_and_every_line_is_told(words):
    text = " ".join(words)
    recipe = read(text)
    told = "".join(line.text for line in recipe.lines)
    for word in text.split():
        assert word.strip(",:;-/&()<>*.") in told or not word.strip(",:;-/&()<>*.").isalpha()
