"""What can be typed: kinds of quantities, the units each is typed and shown in, and how units are spelled.

- `Kind`, `KINDS`   a kind of quantity; all of them by their SI unit
- `PINT`            unit as shown -> Pint expression
- `SPELLINGS`, `ASK_WHICH`   other spellings of a unit; units of which it has to be said which is meant
"""

from __future__ import annotations

from dataclasses import dataclass

#: Unit as shown -> Pint expression. One spelling per unit; `SPELLINGS` maps the others onto it.
PINT: dict[str, str] = {
    "mm": "millimeter",
    "cm": "centimeter",
    "m": "meter",
    "in": "inch",
    "thou": "thou",
    "µm": "micrometer",
    "ft": "foot",
    "N": "newton",
    "kN": "kilonewton",
    "lbf": "pound_force",
    "kgf": "kilogram_force",
    "N·m": "newton * meter",
    "lb-ft": "pound_force * foot",
    "lb-in": "pound_force * inch",
    "kgf·m": "kilogram_force * meter",
    "kW": "kilowatt",
    "W": "watt",
    "hp": "foot * pound_force / second * 550",
    "PS": "kilogram_force * meter / second * 75",
    "rpm": "revolution / minute",
    "rad/s": "radian / second",
    "Pa": "pascal",
    "hPa": "hectopascal",
    "kPa": "kilopascal",
    "MPa": "megapascal",
    "GPa": "gigapascal",
    "bar": "bar",
    "psi": "pound_force / inch ** 2",
    "N/mm": "newton / millimeter",
    "N/m": "newton / meter",
    "lbf/in": "pound_force / inch",
    "mm²": "millimeter ** 2",
    "cm²": "centimeter ** 2",
    "m²": "meter ** 2",
    "in²": "inch ** 2",
    "kg": "kilogram",
    "g": "gram",
    "lb": "pound",
    "°C": "degC",
    "°F": "degF",
    "K": "kelvin",
    "mL": "milliliter",
    "L": "liter",
    "m³": "meter ** 3",
    "in³": "inch ** 3",
    "US pt": "US_pint",
    "imp pt": "imperial_pint",
    "US qt": "US_liquid_quart",
    "imp qt": "imperial_quart",
    "US gal": "US_liquid_gallon",
    "imp gal": "imperial_gallon",
    "US fl oz": "US_fluid_ounce",
    "imp fl oz": "imperial_fluid_ounce",
    "J": "joule",
    "kJ": "kilojoule",
    "kg·m²": "kilogram * meter ** 2",
    "lb·ft²": "pound * foot ** 2",
    "s": "second",
    "°": "degree",
    "rad": "radian",
    "m/s": "meter / second",
    "mm/s": "millimeter / second",
    "km/h": "kilometer / hour",
    "m/s²": "meter / second ** 2",
    "ft/s²": "foot / second ** 2",
    "mph": "mile / hour",
    "km": "kilometer",
    "mi": "mile",
    "mm³/MPa": "millimeter ** 3 / megapascal",
    "m³/Pa": "meter ** 3 / pascal",
    "mm³/J": "millimeter ** 3 / joule",
    "m³/J": "meter ** 3 / joule",
    "kg/m³": "kilogram / meter ** 3",
    "lb/in³": "pound / inch ** 3",
    "J/mm²": "joule / millimeter ** 2",
    "J/m²": "joule / meter ** 2",
    "J/(kg·K)": "joule / kilogram / kelvin",
    "W/(m·K)": "watt / meter / kelvin",
    "W/K": "watt / kelvin",
    "J/K": "joule / kelvin",
    "1/K": "1 / kelvin",
    "1/m": "1 / meter",
    "1/km": "1 / kilometer",
    "1/mi": "1 / mile",
    "g·mm": "gram * millimeter",
    "kg·m": "kilogram * meter",
    "oz·in": "ounce * inch",
    "%": "0.01",
    "": "1",
}

#: Other spellings, after `_squeeze` (lower case but for PS and GPa/MPa, no spaces, dots and dashes).
SPELLINGS: dict[str, str] = {
    '"': "in", "″": "in", "inch": "in", "inches": "in", "''": "in",
    "'": "ft", "′": "ft", "feet": "ft", "foot": "ft",
    "mil": "thou", "thous": "thou", "thousandths": "thou",
    "μm": "µm", "um": "µm", "micron": "µm", "microns": "µm", "micrometre": "µm", "micrometer": "µm",
    "millimetre": "mm", "millimeter": "mm", "millimetres": "mm", "millimeters": "mm",
    "metre": "m", "meter": "m",
    "lb": "lb", "lbs": "lb", "pound": "lb", "pounds": "lb", "poundforce": "lbf", "lbsf": "lbf",
    "newton": "N", "newtons": "N", "kgf": "kgf", "kp": "kgf",
    "nm": "N·m", "newtonmetre": "N·m", "newtonmeter": "N·m",
    "lbft": "lb-ft", "ftlb": "lb-ft", "lbsft": "lb-ft", "ftlbs": "lb-ft", "lbfft": "lb-ft", "ftlbf": "lb-ft",
    "footpound": "lb-ft", "footpounds": "lb-ft", "poundfeet": "lb-ft",
    "lbin": "lb-in", "inlb": "lb-in", "inlbs": "lb-in", "lbsin": "lb-in", "lbfin": "lb-in", "inlbf": "lb-in",
    "kgfm": "kgf·m", "kgm": "kgf·m", "kpm": "kgf·m", "mkg": "kgf·m",
    "bhp": "hp", "whp": "hp", "horsepower": "hp", "cv": "PS", "ps": "PS", "kilowatt": "kW", "kw": "kW", "w": "W",
    "1/min": "rpm", "min1": "rpm", "min^1": "rpm", "u/min": "rpm", "r/min": "rpm", "rev/min": "rpm", "tr/min": "rpm",
    "percent": "%",
    "n/mm": "N/mm", "n/m": "N/m", "lb/in": "lbf/in", "lbs/in": "lbf/in", "lbf/inch": "lbf/in",
    "n/mm2": "MPa", "n/mm²": "MPa", "mpa": "MPa", "gpa": "GPa", "kpa": "kPa", "hpa": "hPa", "mbar": "hPa", "pa": "Pa",
    "mm2": "mm²", "cm2": "cm²", "m2": "m²", "in2": "in²", "sqin": "in²",
    "c": "°C", "degc": "°C", "f": "°F", "degf": "°F", "k": "K",
    "ml": "mL", "cc": "mL", "cm3": "mL", "cm³": "mL", "l": "L", "litre": "L", "liter": "L",
    "usfloz": "US fl oz", "impfloz": "imp fl oz",
    "uspt": "US pt", "usqt": "US qt", "impqt": "imp qt", "usgal": "US gal", "imppt": "imp pt", "impgal": "imp gal",
    "gmm": "g·mm", "ozin": "oz·in",
    "j": "J", "kj": "kJ", "kgm2": "kg·m²", "kgm²": "kg·m²", "lbft2": "lb·ft²", "lbft²": "lb·ft²",
    "sec": "s", "seconds": "s", "deg": "°", "degree": "°", "degrees": "°", "kph": "km/h", "kmh": "km/h",
    "miles": "mi", "mm3/mpa": "mm³/MPa", "mm3/j": "mm³/J", "j/mm2": "J/mm²", "kg/m3": "kg/m³", "lb/in3": "lb/in³",
    "in3": "in³", "cuin": "in³",
    "n": "N", "kn": "kN",
}  # fmt: skip

#: Units that differ by country: which one is meant has to be said.
ASK_WHICH = {"floz", "pt", "pint", "pints", "gal", "gallon", "gallons"}


@dataclass(frozen=True, slots=True)
class Kind:
    """A kind of quantity: what it is called and the units it is typed and shown in.

    Attributes
    ----------
    name : "length", "force" ...
    si : SI unit, as it stands in docstrings
    metric, inch : units of the two systems, as shown
    units : units that may be typed; the metric and the inch unit come first
    loose : for shop talk where one unit name stands for another (`lb` typed for a force)
    digits : significant digits shown
    """

    name: str
    si: str
    metric: str
    inch: str
    units: tuple[str, ...]
    loose: tuple[tuple[str, str], ...] = ()
    digits: int = 4


#: SI unit as written in docstrings -> kind.
KINDS: dict[str, Kind] = {
    kind.si: kind
    for kind in (
        Kind("length", "m", "mm", "in", ("mm", "in", "thou", "cm", "m", "ft", "µm")),
        Kind("force", "N", "N", "lbf", ("N", "lbf", "kN", "kgf"), loose=(("lb", "lbf"), ("kg", "kgf"))),
        Kind("torque", "N·m", "N·m", "lb-ft", ("N·m", "lb-ft", "lb-in", "kgf·m")),
        Kind("power", "W", "kW", "hp", ("kW", "hp", "PS", "W")),
        Kind("engine speed", "rad/s", "rpm", "rpm", ("rpm", "rad/s")),
        Kind("pressure", "Pa", "MPa", "psi", ("MPa", "psi", "bar", "kPa", "hPa", "GPa", "Pa"), digits=3),
        Kind("spring rate", "N/m", "N/mm", "lbf/in", ("N/mm", "lbf/in", "N/m")),
        Kind("area", "m²", "cm²", "in²", ("cm²", "in²", "mm²", "m²")),
        Kind("mass", "kg", "kg", "lb", ("kg", "lb", "g")),
        Kind("temperature", "K", "°C", "°F", ("°C", "°F", "K")),
        Kind("temperature rise", "K diff", "K", "K", ("K",)),
        Kind(
            "volume",
            "m³",
            "mL",
            "in³",
            ("mL", "L", "in³", "US pt", "imp pt", "US qt", "imp qt", "US gal", "imp gal", "US fl oz", "imp fl oz"),
        ),
        Kind("fluid", "m³ of fluid", "L", "US qt", ("L", "US qt", "mL", "US fl oz"), digits=3),
        Kind("unbalance", "kg·m", "g·mm", "oz·in", ("g·mm", "oz·in")),
        Kind("energy", "J", "kJ", "kJ", ("kJ", "J")),
        Kind("inertia", "kg·m²", "kg·m²", "lb·ft²", ("kg·m²", "lb·ft²")),
        Kind("time", "s", "s", "s", ("s",)),
        Kind("angle", "rad", "°", "°", ("°", "rad")),
        Kind("speed", "m/s", "m/s", "mph", ("m/s", "mph", "km/h", "mm/s")),
        Kind("balance grade", "m/s of G", "mm/s", "mm/s", ("mm/s", "m/s")),
        Kind("acceleration", "m/s²", "m/s²", "m/s²", ("m/s²", "ft/s²")),
        Kind("hose swell", "m³/Pa", "mm³/MPa", "mm³/MPa", ("mm³/MPa", "m³/Pa")),
        Kind("wear rate", "m³/J", "mm³/J", "mm³/J", ("mm³/J", "m³/J"), digits=3),
        Kind("density", "kg/m³", "kg/m³", "lb/in³", ("kg/m³", "lb/in³")),
        Kind("energy per area", "J/m²", "J/mm²", "J/mm²", ("J/mm²", "J/m²"), digits=3),
        Kind("heat capacity", "J/(kg·K)", "J/(kg·K)", "J/(kg·K)", ("J/(kg·K)",)),
        Kind("conductivity", "W/(m·K)", "W/(m·K)", "W/(m·K)", ("W/(m·K)",)),
        Kind("cooling", "W/K", "W/K", "W/K", ("W/K",)),
        Kind("heat capacity", "J/K", "J/K", "J/K", ("J/K",)),
        Kind("expansion", "1/K", "1/K", "1/K", ("1/K",)),
        Kind("starts per distance", "1/m", "1/km", "1/mi", ("1/km", "1/mi", "1/m")),
        Kind("distance driven", "m driven", "km", "mi", ("km", "mi")),
        Kind("plain number", "-", "", "", ("",), digits=3),
        Kind("whole number", "count", "", "", ("",)),
        Kind("share", "share", "%", "%", ("%",), digits=3),
    )
}
