import time
import board_pins as GPIO
import climate_lib

DATA = 4
LIGHT = 17

GPIO.setmode(GPIO.BCM)
GPIO.setup(LIGHT, GPIO.OUT)

damp_since = None
try:
    while True:
        humidity, temperature = climate_lib.read_retry(climate_lib.FINE, DATA)
        if humidity is not None and temperature is not None:
            print('{0:0.1f} {1:0.1f}'.format(temperature, humidity))
            if humidity > 70:
                if damp_since is None:
                    damp_since = time.time()
            else:
                damp_since = None
            on = damp_since is not None and time.time() - damp_since >= 4
            GPIO.output(LIGHT, GPIO.HIGH if on else GPIO.LOW)
        else:
            print('Failed to get reading. Try again!')
        time.sleep(2)
except KeyboardInterrupt:
    pass
finally:
    GPIO.cleanup()
