# Tag check-in on the single-board computer.
import time

import board_pins as GPIO
from tag_reader import TagReader

KNOWN_LIGHT = 17
TRAIL = 0x04A2197C

GPIO.setmode(GPIO.BCM)
GPIO.setup(KNOWN_LIGHT, GPIO.OUT)
reader = TagReader(8, 25)

try:
    while True:
        tag = reader.read_id_no_block()
        if tag is not None:
            print(f"{tag:08X}")
        GPIO.output(KNOWN_LIGHT, tag == TRAIL)
        time.sleep(0.25)
finally:
    GPIO.cleanup()
