# Readings come from a generator, the last three are kept in a deque.
import time
from collections import deque

from climate_library import ClimateModule
from part_objects import LED

roof, light = ClimateModule(4), LED(17)


def readings(every):
    while True:
        yield roof.temperature, roof.humidity
        time.sleep(every)


last = deque(maxlen=3)
for heat, damp in readings(2):
    print(f"{heat:.1f} {damp:.1f}")
    last.append(damp)
    light.value = len(last) == 3 and min(last) > 70
