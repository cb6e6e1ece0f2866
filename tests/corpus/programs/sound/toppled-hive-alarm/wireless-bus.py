from machine_pins import I2C, Pin
from math import asin, degrees
import time

bus = I2C(0, scl=Pin(22), sda=Pin(21), freq=400000)
sounder = Pin(32, Pin.OUT)
MODULE = 0x68
bus.writeto_mem(MODULE, 0x6B, b"\x00")


def gx():
    data = bus.readfrom_mem(MODULE, 0x3B, 2)
    value = data[0] << 8 | data[1]
    if value > 32767:
        value -= 65536
    return value / 16384


over = 0
while True:
    g = gx()
    g = max(-1, min(1, g))
    print("%.1f" % degrees(asin(g)))
    over = over + 1 if g > 0.5 else 0
    sounder.value(over >= 6)
    time.sleep(0.2)
