"""What a program can print of a quantity: the unit, its sign, how many decimals are usual."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Printed:
    """One way of printing: `symbol` is shown behind numbers, `title` in tables."""

    id: str
    symbol: str
    title: str
    decimals: int


PRINTED = {
    p.id: p
    for p in (
        Printed("celsius", "°C", "temperature", 1),
        Printed("fahrenheit", "°F", "temperature", 1),
        Printed("percent", "%", "percent", 1),
        Printed("hectopascal", "hPa", "pressure", 1),
        Printed("centimetre", "cm", "distance", 1),
        Printed("inch", "in", "distance", 1),
        Printed("microsecond", "µs", "echo time", 0),
        Printed("count", "", "count", 0),
        Printed("volt", "V", "voltage", 3),
        Printed("full-scale", "%", "share of full scale", 0),
        Printed("ratio", "Rs/R0", "gas ratio", 2),
        Printed("ppm", "ppm", "trend", 0),
        Printed("g", "g", "acceleration", 2),
        Printed("degree", "°", "tilt", 0),
        Printed("scaled", "", "scaled 0 to 255", 0),
        Printed("level", "", "level", 0),
        Printed("tag", "", "tag id", 0),
    )
}

#: What may be printed of a quantity that comes as a number or a time; the first is the usual one.
OF_QUANTITY = {
    "celsius": ("celsius", "fahrenheit"),
    "percent": ("percent",),
    "hpa": ("hectopascal",),
    "cm": ("centimetre", "inch", "microsecond"),
    "gx": ("g", "degree", "count", "scaled"),
    "gy": ("g", "degree", "count", "scaled"),
    "gz": ("g", "count", "scaled"),
    "tag": ("tag",),
}
#: What may be printed of anything that is measured as a voltage.
OF_VOLTAGE = ("count", "volt", "full-scale")
UNITS_OF_QUANTITY = {
    "celsius": "°C", "percent": "%", "hpa": "hPa", "cm": "cm", "lux": "lux", "ppm": "ppm", "gx": "g", "gy": "g", "gz": "g",
}  # fmt: skip
