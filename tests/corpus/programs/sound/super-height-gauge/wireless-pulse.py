from machine_pins import Pin, time_pulse_us
import utime

trig = Pin(25, Pin.OUT, value=0)
echo = Pin(26, Pin.IN)
led = Pin(27, Pin.OUT)


def cm():
    trig.value(0)
    utime.sleep_us(2)
    trig.value(1)
    utime.sleep_us(10)
    trig.value(0)
    us = time_pulse_us(echo, 1, 30000)
    if us < 0:
        return None
    return us * 0.0343 / 2


near = 0
while True:
    d = cm()
    if d is None:
        print("no echo")
    else:
        print("%.1f" % d)
        near = near + 1 if d < 20 else 0
        led.value(near > 2)
    utime.sleep_ms(200)
