# The light follows an event of the pin.
import board_pins as GPIO
from time import sleep

GAP = 24
LIGHT = 25


def changed(pin):
    if GPIO.input(pin):
        GPIO.output(LIGHT, False)
        print("free")
    else:
        GPIO.output(LIGHT, True)
        print("blocked")


GPIO.setmode(GPIO.BCM)
GPIO.setup(GAP, GPIO.IN)
GPIO.setup(LIGHT, GPIO.OUT, initial=False)
GPIO.add_event_detect(GAP, GPIO.BOTH, callback=changed, bouncetime=20)
try:
    while True:
        sleep(1)
finally:
    GPIO.cleanup()
