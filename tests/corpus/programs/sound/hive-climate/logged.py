# Keeps the last readings in a list and prints the mean too.
from time import sleep
from climate_library import ClimateModule
from part_objects import LED

roof = ClimateModule(4)
light = LED(17)
readings = []


def mean(values):
    return sum(values) / len(values)


try:
    while True:
        readings.append({"t": roof.temperature, "h": roof.humidity})
        if len(readings) > 3:
            readings.pop(0)
        last = readings[-1]
        print(f"{last['t']:.1f} {last['h']:.1f}")
        if len(readings) == 3 and all(r["h"] > 70 for r in readings):
            light.on()
        elif last["h"] <= 70:
            light.off()
        sleep(2)
except KeyboardInterrupt:
    print("done, mean humidity", round(mean([r["h"] for r in readings]), 1))
finally:
    light.off()
