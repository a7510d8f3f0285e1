"""Simulated tasters of triangle tests, as issue 21 and docs/model/trials.md, "What to try next" describe them."""

import math
import random
from dataclasses import dataclass

from oenomel.core.sensory.thresholds import TriangleAnswer

OWN_SD = 0.4
SLOPES = (1.5, 2.0, 3.0)


@dataclass(frozen=True)
class Tongue:
    """Somebody whose step is ``alpha`` usual ones, and who begins to tell two glasses apart as suddenly as ``slope``."""

    alpha: float
    slope: float

    def finds(self, steps: float, draw: random.Random) -> bool:
        """Whether the odd glass is found: P = 1/3 + 2/3·0.96·(1 − exp(−ln 2·(n/α)^β)) (docs/model/trials.md, "What to try next")."""
        tells = 1 - math.exp(-math.log(2) * (steps / self.alpha) ** self.slope)
        return draw.random() < 1 / 3 + 2 / 3 * 0.96 * tells


def tongues(many: int, draw: random.Random) -> list[Tongue]:
    return [Tongue(math.exp(draw.gauss(0, OWN_SD)), draw.choice(SLOPES)) for _ in range(many)]


def answer_of(tongue: Tongue, steps: float, draw: random.Random) -> TriangleAnswer:
    return TriangleAnswer(steps, tongue.finds(steps, draw))
