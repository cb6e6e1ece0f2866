# wireless board, pins as objects
from machine_pins import Pin, ADC
import utime

adc = ADC(Pin(34))
adc.atten(ADC.ATTN_11DB)
led = Pin(18, Pin.OUT)

LIMIT = 2600
count_bright = 0

while True:
    value = adc.read()
    print(value)
    if value > LIMIT:
        count_bright += 1
    else:
        count_bright = 0
    led.value(1 if count_bright >= 4 else 0)
    utime.sleep(0.15)
