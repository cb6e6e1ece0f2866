from probe_library import Probe
import board_pins as GPIO
from time import sleep

GPIO.setwarnings(False)
GPIO.setmode(GPIO.BOARD)
LED = 16
GPIO.setup(LED, GPIO.OUT)
tank = Probe(22)
history = []

def cold(values, limit=12):
    return len(values) >= 3 and max(values[-3:]) < limit

try:
    while True:
        try:
            value = tank.get_temperature()
        except Exception as wrong:
            print('probe:', wrong)
            sleep(1)
            continue
        history.append(value)
        del history[:-5]
        print(round(value, 2))
        GPIO.output(LED, GPIO.HIGH if cold(history) else GPIO.LOW)
        sleep(0.5)
finally:
    GPIO.output(LED, GPIO.LOW)
    GPIO.cleanup()
