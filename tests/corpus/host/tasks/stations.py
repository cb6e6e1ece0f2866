"""A reading hive scale, its calibration, alarm and log: the shape of a larger exercise."""


class Scale:
    SAMPLES = 4

    def __init__(self, counts, slope=0.02, zero=100):
        self._counts, self._at = list(counts), 0
        self.slope, self.zero = slope, zero
        self.history = []

    def read(self):
        taken = sorted(self._counts[self._at : self._at + self.SAMPLES])
        if len(taken) < self.SAMPLES:
            raise ValueError("no more counts")
        self._at += self.SAMPLES
        mean = sum(taken[1:-1]) / (len(taken) - 2)
        self.history.append(mean)
        return self.kilograms(mean)

    def kilograms(self, counts):
        return (counts - self.zero) * self.slope

    @classmethod
    def calibrated(cls, counts, points):
        (c0, k0), (c1, k1) = points
        slope = (k1 - k0) / (c1 - c0)
        return cls(counts, slope, c0 - k0 / slope)


class Alarm:
    OFF, WAITING, ON = range(3)
    NAMES = {OFF: "off", WAITING: "waiting", ON: "on"}

    def __init__(self, limit, hold=2, gap=0.5):
        self.limit, self.hold, self.gap = limit, hold, gap
        self.state, self.since = self.OFF, None

    def step(self, now, value):
        before = self.state
        if value > self.limit:
            if self.state == self.OFF:
                self.state, self.since = self.WAITING, now
            elif self.state == self.WAITING and now - self.since >= self.hold:
                self.state = self.ON
        elif value < self.limit - self.gap or self.state == self.WAITING:
            self.state, self.since = self.OFF, None
        return None if before == self.state else "{}->{}".format(self.NAMES[before], self.NAMES[self.state])


counts = []
for level in (100, 350, 400, 360, 410, 420, 430, 395, 300, 120):
    counts += [level - 2, level + 60, level, level + 2]
scale = Scale.calibrated(counts, ((100, 0.0), (600, 10.0)))
print("slope {:.4f} kg, zero {:.1f}".format(scale.slope, scale.zero))
alarm = Alarm(limit=5.5)
log = []
for second in range(10):
    kg = scale.read()
    change = alarm.step(second, kg)
    log.append((second, round(kg, 2), change))
    print("%2d s %6.2f kg %-8s|%s" % (second, kg, Alarm.NAMES[alarm.state], "#" * int(kg * 2)))
print([entry for entry in log if entry[2]])
print("max %.2f at %d s" % max((kg, second) for second, kg, _ in log))
try:
    scale.read()
except ValueError as problem:
    print(problem)
by_state = {}
for second, kg, change in log:
    by_state.setdefault(kg > 5.5, []).append(second)
for above in sorted(by_state):
    print("above" if above else "below", by_state[above])
print(len(scale.history), min(scale.history), hasattr(scale, "slope"), getattr(scale, "offset", "no offset"))
print(isinstance(alarm, Alarm), isinstance(alarm, Scale), type(alarm).__name__, Scale.SAMPLES)
