# Entrance gap: the module's output is low when something is there.
import time

import board_pins as GPIO

GAP, LIGHT = 24, 25
blocked_since = None

GPIO.setmode(GPIO.BCM)
GPIO.setup(GAP, GPIO.IN)
GPIO.setup(LIGHT, GPIO.OUT)

try:
    while True:
        blocked = GPIO.input(GAP) == GPIO.LOW
        print("blocked" if blocked else "free")
        if not blocked:
            blocked_since = None
            GPIO.output(LIGHT, GPIO.LOW)
        elif blocked_since is None:
            blocked_since = time.time()
        elif time.time() - blocked_since >= 0.2:
            GPIO.output(LIGHT, GPIO.HIGH)
        time.sleep(0.05)
except KeyboardInterrupt:
    print("stopped")
finally:
    GPIO.cleanup()
