"""Nothing that is pasted holds the server: whatever a text repeats, it is read or refused soon."""

import time
from contextlib import suppress

import pytest
from support.depth import spread

from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.larder.ingredient_search import Findable, Index
from oenomel.errors import DomainError
from oenomel.formats.recipe_reader import LARGEST_RECIPE, read_text
from oenomel.schemas.format_names import LARGEST_PAGE

LARDER = catalogue()
INDEX = Index(Findable.of(each) for each in LARDER.values())
MOST_SECONDS = 3.0
"""Of the processor's time, so that a busy machine fails nothing; the slowest takes a third. Without bounds most took minutes."""

REPEATED = [
    "<!---->", "½", "1/", "1-", "1:", "1,", "2:1 ", "1 ", "a ", "gin ", "60 ml gin ", "60 ml gin, ", "2 oz gin 1 oz vermouth ", "½ oz ",
    "between 1 and ", "from 1 to ", "1 to ", "as much gin as ", "rim the ", "coat ", "express ", "lime peel and ", "half a lime, cut ",
    "A. ", "Shake. ", "over ", "over ice ", "30 ml or 1 oz gin ", "gin or ", "top with soda, ", "equal parts gin, lemon ", "optional ",
    "(", "() ", " | ", "*", "_", "<br ", "<p>", "{", "\t", "é", "木", "\u0301", "xqzv ", "lemmon ornge syrpu ",
]  # fmt: skip
PAGES = ["<", "<a ", "<!--", "&#", "</", "<script type='application/ld+json'>", "<script>[</script>", "<!DOCTYPE", "<![CDATA["]


def seconds_to_read(text: str) -> float:
    start = time.thread_time()
    with suppress(DomainError):
        read_text(text, INDEX, LARDER.__getitem__)
    return time.thread_time() - start


@pytest.mark.parametrize("repeated", spread(REPEATED, 24))
def test_a_text_that_repeats_anything_is_read_or_refused_soon(repeated):
    length = LARGEST_RECIPE - 100
    seconds_to_read("60 ml gin")  # what is made once, such as the grammar, isn't counted
    assert seconds_to_read(repeated * (length // len(repeated))) < MOST_SECONDS
    line = (repeated * (95 // len(repeated) + 1))[:99]
    assert seconds_to_read("\n".join([line] * (length // 100))) < MOST_SECONDS


@pytest.mark.parametrize("repeated", PAGES)
def test_a_page_that_repeats_anything_is_read_or_refused_soon(repeated):
    start = "<!doctype html>"
    assert seconds_to_read(start + repeated * ((LARGEST_PAGE - 100) // len(repeated))) < MOST_SECONDS


def test_comments_before_a_page_are_passed_over_however_many_they_are():
    assert seconds_to_read("<!---->" * 24 + "a") < 1
    page = "<!-- saved -->\n<!-- twice --> <!DOCTYPE html><script type='application/ld+json'>{}</script>"
    with pytest.raises(DomainError, match="no recipe found on this page"):
        read_text(page, INDEX, LARDER.__getitem__)


def test_many_words_that_are_nearly_known_are_not_tried_in_all_their_spellings():
    start = time.thread_time()
    INDEX.find("lemmon ornge syrpu grapefrut vodak whiskky bittters angostra vermuth sherri camparri apperol")
    assert time.thread_time() - start < 1


def test_a_long_line_is_read_by_its_sentences_and_a_longer_sentence_is_kept_as_a_note():
    told = "Shake it hard. " * 20
    speech = f"Gin 60 millilitres. Lemon juice 22.5 millilitres. {told}Honey syrup 15 millilitres. {'And so on ' * 60}."
    read = read_text(f"Long Speech Sour\n{speech}", INDEX, LARDER.__getitem__)
    assert [(pour.ingredient, pour.amount) for pour in read.spec.pours] == [
        ("london-dry-gin", 60),
        ("lemon-juice", 22.5),
        ("honey-syrup", 15),
    ]
    last = read.lines[-1]
    assert (last.taken, last.sure) == ("note", False)
    assert "on its own line" in last.why
    assert last.text in read.notes
