import time
import board_pins as GPIO
from tag_reader import TagReader

LIGHT = 17
KNOWN = {0x04A2197C: "Hive 1", 0x11223344: "Hive 2"}

reader = TagReader(8, 25)
GPIO.setmode(GPIO.BCM)
GPIO.setup(LIGHT, GPIO.OUT)

try:
    while True:
        tag_id = reader.read_id_no_block()
        if tag_id in KNOWN:
            print(KNOWN[tag_id], hex(tag_id))
            GPIO.output(LIGHT, GPIO.HIGH)
        else:
            if tag_id:
                print("unknown", hex(tag_id))
            GPIO.output(LIGHT, GPIO.LOW)
        time.sleep(0.3)
except KeyboardInterrupt:
    print("bye")
finally:
    GPIO.cleanup()
