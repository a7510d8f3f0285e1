"""Verdict of a tasting note."""

from oenomel.core.trials.tasting import Verdict, verdict_words
from oenomel.errors import OutOfRange


def test_verdicts_are_told_as_they_are_said_and_bounded(golden):
    golden(verdict_words(Verdict(sugar=-3, acid=1, body=1, lacking=True)))
    assert verdict_words(Verdict(acid=0)) == "right"
    assert verdict_words(Verdict()) == ""
    with golden.raises(OutOfRange):
        Verdict(body=4)
