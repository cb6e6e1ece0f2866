#!/usr/bin/env python3
import board_pins as GPIO
import time

gap = 24
light = 25


def setup():
    GPIO.setwarnings(False)
    GPIO.setmode(GPIO.BCM)
    GPIO.setup(gap, GPIO.IN, pull_up_down=GPIO.PUD_UP)
    GPIO.setup(light, GPIO.OUT, initial=GPIO.LOW)


def loop():
    blocked = 0
    while True:
        if GPIO.input(gap) == 0:
            blocked = blocked + 1
        else:
            blocked = 0
        if blocked > 2:
            GPIO.output(light, GPIO.HIGH)
        else:
            GPIO.output(light, GPIO.LOW)
        print(blocked)
        time.sleep(0.1)


def destroy():
    GPIO.output(light, GPIO.LOW)
    GPIO.cleanup()


if __name__ == '__main__':
    setup()
    try:
        loop()
    except KeyboardInterrupt:
        destroy()
