# Super height: the echo is timed by looking at its pin; header positions.
import time

import board_pins as GPIO

TRIGGER = 29  # GPIO 5
ECHO = 31  # GPIO 6
LIGHT = 36  # GPIO 16
CM_PER_SECOND = 34320
near_since = None


def distance():
    """Centimetres to the frame; None without an echo."""
    GPIO.output(TRIGGER, True)
    time.sleep(0.00001)
    GPIO.output(TRIGGER, False)
    waited = time.time()
    start = waited
    while GPIO.input(ECHO) == 0:
        start = time.time()
        if start - waited > 0.05:
            return None
    stop = start
    while GPIO.input(ECHO) == 1:
        stop = time.time()
    return (stop - start) * CM_PER_SECOND / 2


GPIO.setmode(GPIO.BOARD)
GPIO.setup([TRIGGER, LIGHT], GPIO.OUT)
GPIO.setup(ECHO, GPIO.IN)
try:
    while True:
        cm = distance()
        if cm is not None:
            print("%.1f" % cm)
            if cm >= 20:
                near_since = None
                GPIO.output(LIGHT, False)
            elif near_since is None:
                near_since = time.time()
            elif time.time() - near_since > 0.5:
                GPIO.output(LIGHT, True)
        time.sleep(0.2)
finally:
    GPIO.cleanup()
