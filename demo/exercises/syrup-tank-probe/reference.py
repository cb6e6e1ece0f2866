# Syrup probe: a light when the tank has been cold for two seconds.
import time

from part_objects import LED
from probe_library import Probe

COLD = 12
probe = Probe(22)
cold_light = LED(23)
cold_readings = 0

while True:
    heat = probe.get_temperature()
    print(round(heat, 2))
    cold_readings = cold_readings + 1 if heat < COLD else 0
    cold_light.value = cold_readings > 2
    time.sleep(1)
