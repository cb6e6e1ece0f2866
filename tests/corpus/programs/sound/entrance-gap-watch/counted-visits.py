import board_pins as GPIO, time

names = {24: 'hole', 25: 'light'}
visits = 0
GPIO.setmode(GPIO.BCM)
for pin in names:
    if names[pin] == 'light':
        GPIO.setup(pin, GPIO.OUT)
    else:
        GPIO.setup(pin, GPIO.IN)

was = 1
blocked_for = 0
try:
    while 1:
        now = GPIO.input(24)
        if now == 0 and was == 1:
            visits += 1
            print('visit number %d' % visits)
        blocked_for = blocked_for + 1 if now == 0 else 0
        GPIO.output(25, blocked_for >= 3)
        was = now
        time.sleep(.08)
except KeyboardInterrupt:
    pass
GPIO.cleanup()
