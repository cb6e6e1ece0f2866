import time
import board_pins as GPIO

SPEED = 34300


class Gauge:
    def __init__(self, trigger, echo):
        self.trigger = trigger
        self.echo = echo
        GPIO.setup(self.trigger, GPIO.OUT, initial=GPIO.LOW)
        GPIO.setup(self.echo, GPIO.IN)

    def shot(self):
        GPIO.output(self.trigger, GPIO.HIGH)
        time.sleep(0.00001)
        GPIO.output(self.trigger, GPIO.LOW)
        start = end = time.time()
        limit = start + 0.05
        while not GPIO.input(self.echo):
            start = time.time()
            if start > limit:
                return None
        while GPIO.input(self.echo):
            end = time.time()
            if end > limit:
                return None
        return (end - start) * SPEED / 2


def main():
    GPIO.setmode(GPIO.BCM)
    GPIO.setup(16, GPIO.OUT)
    gauge = Gauge(5, 6)
    near = []
    while True:
        cm = gauge.shot()
        if cm is None:
            print('no echo')
        else:
            print(f'{cm:.1f} cm')
        near = (near + [cm is not None and cm < 20])[-4:]
        GPIO.output(16, all(near) and len(near) == 4)
        time.sleep(0.15)


if __name__ == '__main__':
    try:
        main()
    finally:
        GPIO.cleanup()
