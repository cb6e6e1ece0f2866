# Lid watch for the wireless board: pins as objects, a timer that blinks nothing but measures.
from machine_pins import ADC, Pin
import utime

cell = ADC(Pin(34))
cell.atten(ADC.ATTN_11DB)
light = Pin(18, Pin.OUT, value=0)
BRIGHT = 2600
bright_since = None

while True:
    count = cell.read()
    print(count)
    if count <= BRIGHT:
        bright_since = None
        light.off()
    elif bright_since is None:
        bright_since = utime.ticks_ms()
    elif utime.ticks_diff(utime.ticks_ms(), bright_since) >= 500:
        light.on()
    utime.sleep_ms(100)
