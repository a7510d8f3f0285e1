"""What goes in and out of the notebook as JSON: how a trial was made, sheets, briefs, palates in words."""

import json

import numpy as np
import pytest
from pydantic import ValidationError
from support.drinks import eight_three_three

from oenomel.core.dilution.ice_conditions import Conditions, HouseFactor
from oenomel.core.forecast.forecast import forecast_of
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.trials.palate import Palate, palate_axes
from oenomel.core.trials.readings import Reading, beside_forecast
from oenomel.core.trials.spec_cloud import spec_cloud_of
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.reports.trial_reports import beside_report, kept_figures, sheet_words, spec_cloud_report
from oenomel.schemas.requests.tasting_requests import BriefEntry, SheetEntry, verdict_of
from oenomel.schemas.requests.trial_conditions import MadeEntry, as_poured, circumstances_of, conditions_of, with_conditions
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec

SPEC = parse_spec(
    json.dumps(
        {
            "format": "oenomel/spec",
            "version": 1,
            "name": "Orchard Sour",
            "family": "sour",
            "pours": [
                {"ingredient": "white-rum", "amount": "2", "unit": "oz", "slot": "base"},
                {"ingredient": "lime-juice", "amount": "3/4", "unit": "oz", "slot": "sour", "said": "three quarters"},
            ],
        }
    )
)


def test_what_a_forecast_supposed_on_its_day_comes_back_from_the_trial():
    supposed = Conditions(dilution="heat balance", ice_c=-18.0, ice_g=250.0, factors={"shake": HouseFactor(0.9, 0.03, 6)})
    kept = with_conditions(MadeEntry(maker=" Ada "), supposed)
    again = MadeEntry.model_validate_json(kept.model_dump_json(exclude_defaults=True))
    assert again.maker == "Ada"
    assert conditions_of(again) == supposed


def test_the_usual_is_not_written_down():
    assert json.loads(with_conditions(MadeEntry(), Conditions()).model_dump_json(exclude_defaults=True)) == {}
    assert conditions_of(MadeEntry()) == Conditions()


def test_what_really_went_in_takes_the_place_of_what_was_written():
    poured = [entry.model_copy(update={"amount": 61.0, "unit": "ml"}) for entry in SPEC.pours]
    assert [entry.amount for entry in as_poured(SPEC, MadeEntry(poured=poured)).pours] == [61, 61]
    as_written = as_poured(SPEC, MadeEntry())
    assert [entry.amount for entry in as_written.pours] == [2.0, 0.75]
    assert as_written.pours[1].said == "three quarters"


def test_a_making_is_told_to_the_core_with_its_lots():
    made = circumstances_of("trial 1", eight_three_three(), MadeEntry(strainer="fine", lots={"lime-juice": "noon"}))
    assert (made.name, made.strainer, made.lots) == ("trial 1", "fine", {"lime-juice": "noon"})


@pytest.mark.parametrize(
    "wrong",
    [
        {"maker": "x" * 201},
        {"lots": {"lime-juice": "y" * 201}},
        {"lots": {f"slug-{n}": "a lot" for n in range(61)}},
        {"unknown": 1},
    ],
)
def test_a_making_that_is_no_making_is_refused(wrong):
    with pytest.raises(ValidationError):
        MadeEntry.model_validate(wrong)


@pytest.mark.parametrize(
    "said",
    [
        {"sugar": 0, "acid": 2, "abv": 0, "body": -1},
        {"sugar": 0},
        {"score": 7},
        {"body": 3, "sugar": 1},
        {"abv": -2, "loud": "lime-juice"},
        {"lacking": True},
    ],
)
def test_a_sheet_is_told_as_it_is_said(said, golden):
    sheet = SheetEntry(trial_id=1, taster="Ada", **said)
    golden(sheet_words(sheet))
    assert verdict_of(sheet).axes == (sheet.sugar, sheet.acid, sheet.abv)


@pytest.mark.parametrize(
    "wrong",
    [
        {},
        {"taster": " ", "acid": 1},
        {"acid": 4},
        {"acid": 0.5},
        {"score": 11},
        {"score": float("nan")},
        {"edge": "half", "acid": 1},
        {"acid": 1, "words": {"ear": "crackles"}},
    ],
)
def test_a_sheet_that_can_not_be_is_refused(wrong, golden):
    with golden.raises(ValidationError):
        SheetEntry.model_validate({"trial_id": 1, "taster": "Ada", **wrong})


@pytest.mark.parametrize(
    "wrong",
    [{"least_abv": -1}, {"most_abv": 101}, {"avoid": [""]}, {"avoid": ["egg"] * 21}, {"sweetness": "cloying"}, {"most_cost": float("inf")}],
)
def test_a_brief_out_of_its_bounds_is_refused(wrong):
    with pytest.raises(ValidationError):
        BriefEntry.model_validate(wrong)


def palate(steps, sd):
    return palate_axes(Palate(np.array(steps), sd**2 * np.eye(3), 12, 4))


def test_a_palate_hedges_until_it_is_sure(golden):
    vague, sure, middle = palate([0, -1.2, 0], 1.5), palate([0, -1.2, 0], 0.2), palate([0, 0.1, 0], 0.2)
    golden(vague[1].words)
    golden(sure[1].words)
    golden(middle[1].words)
    assert [axis.axis for axis in sure] == ["sugar", "acid", "abv"]
    assert sure[1].low < -1.2 < sure[1].high


def test_a_far_palate_is_told_in_the_words_of_the_tongue_and_never_with_a_decimal_of_a_step():
    told = " ".join(axis.words for axis in palate([2.5, -4.5, 0.7], 0.2))
    assert "clearly sweeter" in told
    assert "much less sharp" in told
    assert "a touch stronger" in told
    assert not any(letter.isdigit() for letter in told)


def test_a_kept_forecast_gives_its_figures_with_their_doubt():
    forecast = json.loads(forecast_report(forecast_of(eight_three_three())).model_dump_json())
    figures, low, high = kept_figures(forecast)
    for name in ("volume_ml", "abv", "sugar", "acid"):
        assert getattr(low, name) <= getattr(figures, name) <= getattr(high, name)
    assert figures.acid == pytest.approx(0.85, abs=0.005)  # the published table, as tests/reference has it


def test_a_reading_is_reported_with_its_name_its_place_and_decimals_worth_printing(golden):
    (beside,) = beside_forecast([Reading("temperature_c", "strained", -4.0)], forecast_of(eight_three_three()))
    report = beside_report(beside, 7, "thermometer")
    golden((report.id, report.name, report.at, report.unit, report.decimals))
    assert report.low < report.forecast < report.high


def test_a_cloud_keeps_the_order_in_which_the_specs_were_gathered(golden):
    drinks = [drink_from_spec(SPEC, catalogue())] * 2
    report = spec_cloud_report(spec_cloud_of(drinks, Conditions()), drinks, [(3, "A book", SPEC), (5, "Ada", SPEC)])
    assert [(point.id, point.name) for point in report.points] == [(3, "A book"), (5, "Ada")]
    golden(report.sentence)
