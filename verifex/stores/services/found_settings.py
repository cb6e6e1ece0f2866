"""Settings of modules as a person finds them: jumpers and trimmers, each with the values it can have."""

from verifex.acts.refusals import Refused
from verifex.core.parts import PartType, catalogue
from verifex.core.quantity import parse_quantity

#: What can be set on a module, with the unit of its value, or the words it may be.
UNITS = {"range": "centimetre", "hold": "second", "trip": "percent"}
WORDS = {"jumper": ("single", "repeat"), "active": ("low", "high"), "pullup": ("none",)}


def settable(part: PartType) -> dict[str, str]:
    """What can be set on a part, each with what its value is: a unit, or the words to choose from."""
    found = {name: unit for name, unit in UNITS.items() if name in part.settings}
    found |= {name: " or ".join(words) for name, words in WORDS.items() if name in part.settings}
    addresses = [address for address in (part.address, *part.other_addresses) if address]
    return {**found, "address": " or ".join(addresses)} if len(addresses) > 1 else found


def refuse_setting(part_id: str, ref: str, setting: str, value: str) -> None:
    """Raises Refused for a setting the part does not have, or a value that it cannot have."""
    part = catalogue().parts[part_id]
    can = settable(part)
    if setting not in can:
        has = f" It has {', '.join(can)}." if can else " It has none."
        raise Refused(f"{ref} ({part.title}) has no setting “{setting[:20]}”.{has}")
    if not value:
        return
    if setting in UNITS:
        try:
            plausible = parse_quantity(value, UNITS[setting]) > 0
        except ValueError:
            plausible = False
        if not plausible:
            raise Refused(f"“{value[:20]}” is no {UNITS[setting]} value above 0, such as 14 cm, 5 s or 40 %.")
    elif value not in can[setting].split(" or "):
        raise Refused(f"“{setting}” is {can[setting]}, not “{value[:20]}”.")
