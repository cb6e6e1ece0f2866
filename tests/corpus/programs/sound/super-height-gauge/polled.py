import board_pins as GPIO
import time

TRIG = 5
ECHO = 6
LED = 16

GPIO.setmode(GPIO.BCM)
GPIO.setup(TRIG, GPIO.OUT)
GPIO.setup(ECHO, GPIO.IN)
GPIO.setup(LED, GPIO.OUT)
GPIO.output(TRIG, False)
time.sleep(0.1)


def get_distance():
    GPIO.output(TRIG, True)
    time.sleep(0.00001)
    GPIO.output(TRIG, False)

    pulse_start = time.time()
    pulse_end = time.time()
    timeout = time.time() + 0.1

    while GPIO.input(ECHO) == 0 and time.time() < timeout:
        pulse_start = time.time()
    while GPIO.input(ECHO) == 1 and time.time() < timeout:
        pulse_end = time.time()

    return round((pulse_end - pulse_start) * 17150, 1)


near = 0
try:
    while True:
        d = get_distance()
        print("Distance:", d, "cm")
        near = near + 1 if 0 < d < 20 else 0
        GPIO.output(LED, near > 2)
        time.sleep(0.2)
except KeyboardInterrupt:
    print("Measurement stopped")
finally:
    GPIO.cleanup()
