# A thread reads, the program itself prints and switches.
import threading
import time
from dataclasses import dataclass
from enum import Enum, auto

from climate_library import ClimateModule
from part_objects import LED


class State(Enum):
    DRY = auto()
    DAMP = auto()


@dataclass
class Reading:
    heat: float
    damp: float


roof, light = ClimateModule(4), LED(17)
lock = threading.Lock()
found: list[Reading] = []


def look():
    while True:
        with lock:
            found.append(Reading(roof.temperature, roof.humidity))
        time.sleep(2)


threading.Thread(target=look, daemon=True).start()
wet, state = 0, State.DRY
while True:
    with lock:
        reading = found.pop(0) if found else None
    if reading is not None:
        print(f"{reading.heat:.1f} {reading.damp:.1f}")
        wet = wet + 1 if reading.damp > 70 else 0
        state = State.DAMP if wet >= 3 else State.DRY
    match state:
        case State.DAMP:
            light.on()
        case State.DRY:
            light.off()
    time.sleep(0.1)
