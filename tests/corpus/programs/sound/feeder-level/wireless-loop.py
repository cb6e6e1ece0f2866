import time
from machine_pins import Pin, ADC

feed = Pin(27, Pin.OUT)
light = Pin(19, Pin.OUT)
strip = ADC(Pin(35))
strip.atten(ADC.ATTN_11DB)


def level():
    feed.value(1)
    time.sleep_ms(10)
    n = strip.read()
    feed.value(0)
    return n


wet_times = 0
while True:
    n = level()
    print(n)
    wet_times = wet_times + 1 if n > 900 else 0
    light.value(wet_times > 2)
    time.sleep_ms(500)
