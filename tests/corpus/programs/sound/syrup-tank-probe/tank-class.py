import time
import board_pins as GPIO
from probe_library import Probe

COLD_LIGHT = 23


class Tank:
    def __init__(self, pin, limit):
        self.probe = Probe(pin)
        self.limit = limit
        self.cold_since = None

    def look(self):
        heat = self.probe.get_temperature()
        if heat >= self.limit:
            self.cold_since = None
        elif self.cold_since is None:
            self.cold_since = time.time()
        return heat

    def too_cold(self):
        return self.cold_since is not None and time.time() - self.cold_since >= 2


GPIO.setmode(GPIO.BCM)
GPIO.setup(COLD_LIGHT, GPIO.OUT)
tank = Tank(22, 12)
try:
    while True:
        print("%.2f" % tank.look())
        GPIO.output(COLD_LIGHT, tank.too_cold())
        time.sleep(1)
finally:
    GPIO.output(COLD_LIGHT, False)
    GPIO.cleanup()
