# A heated box: a controller with limits, a timer, states with a reason each, a table of what happened.
SET, LOW, HIGH = 34.5, 20.0, 40.0


class Controller:
    def __init__(self, kp=12.0, ki=0.4, kd=5.0):
        self.kp, self.ki, self.kd = kp, ki, kd
        self.sum = 0.0
        self.last = None

    def power(self, celsius, seconds):
        error = SET - celsius
        slope = 0.0 if self.last is None else (error - self.last) / seconds
        wanted = self.kp * error + self.ki * (self.sum + error * seconds) + self.kd * slope
        limited = min(100.0, max(0.0, wanted))
        if wanted == limited:
            self.sum += error * seconds
        self.last = error
        return limited


def state_of(celsius, power, before):
    if celsius > HIGH:
        return "alarm"
    if before == "alarm" and celsius > HIGH - 2:
        return "alarm"
    if celsius < LOW:
        return "cold"
    return "heating" if power > 5 else "holding"


controller, celsius, state, changes = Controller(), 18.0, "cold", []
for second in range(0, 240, 10):
    if second == 120:
        celsius += 9  # the sun comes in
    power = controller.power(celsius, 10)
    celsius += power / 100 * 6 - (celsius - 18) * 0.12
    now = state_of(celsius, power, state)
    if now != state:
        changes.append((second, state, now))
        state = now
    print(f"{second:>4} s {celsius:6.2f} C {power:5.1f} % {state}")
for second, before, after in changes:
    print(second, before, "->", after)
duty = int(round(power / 100 * 255))
print(duty, bin(duty), f"{duty:#04x}", duty >> 4, duty & 0x0F)
