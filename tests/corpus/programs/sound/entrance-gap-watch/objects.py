from part_objects import LED, Button
from time import sleep

gap = Button(24, pull_up=True)
light = LED(25)

while True:
    light.value = gap.is_pressed
    print("blocked" if gap.is_pressed else "free")
    sleep(0.1)
