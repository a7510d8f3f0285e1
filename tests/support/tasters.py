"""Simulated tasters and developers, as docs/model/trials.md, "What to try next" draws them: no real tongue has been asked yet."""

from dataclasses import dataclass

import numpy as np

from oenomel.core.trials.palate import Tasted

CUTS = np.array([0.7, 1.7, 2.7])
FORECAST_ERROR = np.array([0.25, 0.46, 0.21])
PALATE_SD = 1.5
DRIFT_SD = 0.4
SITTING = 3


@dataclass
class Taster:
    """Someone who says what he feels: masking, noise, own words for a difference, and evenings on which everything shifts a little."""

    ideal: np.ndarray
    random: np.random.Generator
    plain: bool = False

    def __post_init__(self):
        crosstalk = self.random.uniform(0.1, 0.4)
        self._masking = np.array([[1, -crosstalk, 0], [-crosstalk, 1, 0], [0, 0, 1]])
        self._noise = 0.7 * np.exp(self.random.normal(0, 0.3))
        self._cuts = CUTS * (1 if self.plain else self.random.uniform(0.75, 1.25))
        self._drift = np.zeros(3)
        self._sheets = 0

    @property
    def session(self):
        return str((self._sheets - 1) // SITTING)

    def says(self, true):
        """What he says of a drink that truly stands at ``true`` steps: three whole numbers from −3 to 3."""
        if self._sheets % SITTING == 0 and not self.plain:
            self._drift = self.random.normal(0, DRIFT_SD, 3)
        self._sheets += 1
        felt = self._masking @ (true - self.ideal - self._drift) + self.random.normal(0, self._noise, 3)
        return tuple(int(s * n) for s, n in zip(np.sign(felt), (np.abs(felt)[:, None] > self._cuts).sum(axis=1), strict=True))


def forecast_error(random):
    """How far the truth lies from a forecast, in steps."""
    return random.normal(0, 1, 3) * FORECAST_ERROR


def tastings(random, number, plain=False):
    """A taster's ideal, and so many sheets of his about drinks scattered around the reference."""
    taster = Taster(random.normal(0, PALATE_SD, 3), random, plain)
    sheets = []
    for _ in range(number):
        x = random.normal(0, PALATE_SD, 3)
        said = taster.says(x + forecast_error(random))
        sheets.append(Tasted(x, said, taster.session))
    return taster.ideal, sheets
