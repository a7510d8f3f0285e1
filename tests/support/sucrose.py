"""Sucrose solutions by Debian's `units`, an oracle of its own."""

import subprocess

AIR_G_PER_ML = 0.00120
BRASS_G_PER_ML = 8.4


def true_density(brix: float) -> float:
    """Density of a sucrose solution at 20 °C from Debian's `units` (NIST Circular 440, Table 114), weighed in air there."""
    out = subprocess.run(["units", "-t", f"brix({brix})", "g/ml"], capture_output=True, text=True, check=True).stdout
    return float(out) * (1 - AIR_G_PER_ML / BRASS_G_PER_ML) + AIR_G_PER_ML
