from machine_pins import Pin, Timer
import time
from climate_driver import Climate

light = Pin(26, Pin.OUT)
climate = Climate(Pin(27))
state = {"wet": 0, "t": None, "h": None}


def look(timer):
    climate.measure()
    state["t"] = climate.temperature()
    state["h"] = climate.humidity()
    state["wet"] = state["wet"] + 1 if state["h"] > 70 else 0
    light.value(state["wet"] >= 3)
    print("{:.1f} {:.1f}".format(state["t"], state["h"]))


timer = Timer(0)
timer.init(period=2100, mode=Timer.PERIODIC, callback=look)
while True:
    time.sleep(1)
