from part_objects import DistanceSensor, LED
from time import sleep

gauge = DistanceSensor(echo=6, trigger=5, max_distance=3)
full = LED(16)
near_count = 0

while True:
    cm = gauge.distance * 100
    print(f"{cm:.1f}")
    near_count = near_count + 1 if cm < 20 else 0
    if near_count >= 4:
        full.on()
    else:
        full.off()
    sleep(0.2)
