"""What the words beside a printed number say: which unit it is in, which quantity it is of."""

import re
from collections.abc import Mapping

#: Units as students write them, by the printed unit they mean. `degrees` leaves open which.
UNITS: Mapping[str, str] = {
    word: unit
    for unit, words in {
        "celsius": "c °c ºc degc celsius centigrade degreec",
        "fahrenheit": "f °f ºf degf fahrenheit",
        "degrees": "° º deg degree degrees degs",
        "volt": "v volt volts vdc",
        "millivolt": "mv millivolt millivolts",
        "count": "adc raw count counts lsb bits",
        "percent": "% percent pct %rh rh",
        "hectopascal": "hpa mbar mb millibar",
        "pascal": "pa kpa pascal",
        "centimetre": "cm cms centimetre centimetres centimeter centimeters",
        "millimetre": "mm millimetre millimetres millimeter millimeters",
        "metre": "m metre metres meter meters",
        "inch": 'in inch inches ins "',
        "microsecond": "us µs μs usec microsecond microseconds",
        "time": "ms s sec secs second seconds msec millis millisecond milliseconds min minute minutes h",
        "lux": "lux lx",
        "g": "g",
        "ppm": "ppm",
        "ohm": "ohm ohms ω Ω kohm kω",
    }.items()
    for word in words.split()
}
#: What a label is about, by the beginnings of its words: the printed units it may stand for.
ABOUT: Mapping[str, tuple[str, ...]] = {
    "temp": ("celsius", "fahrenheit"),
    "heat": ("celsius", "fahrenheit"),
    "warm": ("celsius", "fahrenheit"),
    "celsius": ("celsius",),
    "fahrenheit": ("fahrenheit",),
    "hum": ("percent",),
    "damp": ("percent",),
    "moist": ("percent", "count", "full-scale"),
    "press": ("hectopascal",),
    "baro": ("hectopascal",),
    "dist": ("centimetre", "inch"),
    "range": ("centimetre", "inch"),
    "gap": ("centimetre", "inch"),
    "height": ("centimetre", "inch"),
    "inch": ("inch",),
    "light": ("count", "lux", "volt", "full-scale"),
    "bright": ("count", "lux", "full-scale"),
    "lux": ("lux",),
    "volt": ("volt",),
    "raw": ("count",),
    "adc": ("count",),
    "count": ("count",),
    "analog": ("count",),
    "echo": ("microsecond",),
    "puls": ("microsecond",),
    "duration": ("microsecond",),
    "angle": ("degree",),
    "tilt": ("degree",),
    "roll": ("degree",),
    "pitch": ("degree",),
    "gas": ("count", "ppm", "ratio"),
    "smoke": ("count", "ppm", "ratio"),
    "ppm": ("ppm",),
    "level": ("count", "centimetre", "percent"),
    "motion": ("level",),
    "state": ("level",),
}
TIME_LABELS = ("time", "millis", "ms", "uptime", "clock", "seconds")
AXES = ("x", "y", "z")
_WORD = re.compile(r"%rh|[°º]?\s?[A-Za-zµμΩω]+|[°º%\"]", re.IGNORECASE)


def words_of(text: str) -> list[str]:
    """The words of a piece of a line in lower case: signs of units are words of their own, `temp_C` and `tempC` are two."""
    apart = re.sub(r"(?<=[a-z])(?=[A-Z]\b)", " ", text.replace("_", " "))
    return [word.replace(" ", "").lower() for word in _WORD.findall(apart)]


def unit_ahead(words: list[str]) -> tuple[str, int]:
    """The unit that a list of words begins with, and how many of them say it; ('', 0) for none."""
    if not words:
        return "", 0
    first = UNITS.get(words[0], "")
    if first == "degrees" and len(words) > 1 and UNITS.get(words[1]) in ("celsius", "fahrenheit"):
        return UNITS[words[1]], 2
    return (first, 1) if first else ("", 0)


def unit_behind(words: list[str]) -> str:
    """The unit a label ends with: `Temp C`, `temp_f`, `Distance (cm)`; empty for none."""
    if len(words) > 1 and words[-1] in UNITS and words[-1] not in AXES:
        return UNITS[words[-1]]
    return ""


def about(words: list[str]) -> tuple[str, ...]:
    """The printed units a label may stand for; empty where it says nothing."""
    for word in words:
        if word in TIME_LABELS or (word == "t" and len(words) == 1 and False):
            return ("time",)
        for stem, units in ABOUT.items():
            if word.startswith(stem):
                return units
    return ()
