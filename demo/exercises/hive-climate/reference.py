# Hive climate: parts as objects, a class for "has been so for a while".
from time import sleep, time

from climate_library import ClimateModule
from part_objects import LED


class Lasting:
    """True once something has been so for some seconds."""

    def __init__(self, seconds):
        self.seconds = seconds
        self.since = None

    def told(self, now_so):
        if not now_so:
            self.since = None
        elif self.since is None:
            self.since = time()
        return self.since is not None and time() - self.since >= self.seconds


roof = ClimateModule(4)
light = LED(17)
damp_for_long = Lasting(4)

while True:
    try:
        heat, damp = roof.temperature, roof.humidity
    except RuntimeError as error:
        print("no reading:", error)
        sleep(2)
        continue
    print("{:.1f} {:.1f}".format(heat, damp))
    if damp_for_long.told(damp > 70):
        light.on()
    else:
        light.off()
    sleep(2)
