from machine_pins import ADC, Pin
from time import sleep_ms

CELL_PIN = 34
LIGHT_PIN = 18
THRESHOLD = 2600


def make_cell(pin):
    cell = ADC(Pin(pin))
    cell.atten(ADC.ATTN_11DB)
    return cell


def main():
    cell = make_cell(CELL_PIN)
    light = Pin(LIGHT_PIN, Pin.OUT)
    last = [0, 0, 0]
    while True:
        last = last[1:] + [cell.read()]
        print("light:", last[-1])
        if min(last) > THRESHOLD:
            light.on()
        else:
            light.off()
        sleep_ms(200)


main()
