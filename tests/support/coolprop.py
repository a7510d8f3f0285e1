"""CoolProp, an oracle for mixtures of alcohol and water; it takes seconds to load, and is loaded when first asked."""


def of_mixture(figure: str, by_mass: float, celsius: float = 20.0) -> float:
    """A figure of ethanol in water by mass fraction (INCOMP::MEA) under one atmosphere, in SI units."""
    from CoolProp.CoolProp import PropsSI

    return float(PropsSI(figure, "T", celsius + 273.15, "P", 101325, f"INCOMP::MEA[{by_mass}]"))
