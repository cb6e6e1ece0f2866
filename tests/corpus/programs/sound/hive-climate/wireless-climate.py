import climate_driver
from machine_pins import Pin
import time

sensor = climate_driver.Climate(Pin(27))
led = Pin(26, Pin.OUT)
wet = 0

while True:
    try:
        sensor.measure()
        t = sensor.temperature()
        h = sensor.humidity()
        print(t, h)
        if h > 70:
            wet += 1
        else:
            wet = 0
        if wet >= 3:
            led.value(1)
        else:
            led.value(0)
    except OSError as e:
        print("failed to read:", e)
    time.sleep(2)
