# Filters of readings: mean of the last few, median, exponential, hysteresis, debouncing by time.
readings = [512, 515, 900, 511, 509, 300, 514, 516, 513, 512]


class Mean:
    def __init__(self, size):
        self.size, self.values = size, []

    def __call__(self, value):
        self.values.append(value)
        del self.values[: -self.size]
        return sum(self.values) / len(self.values)


class Median(Mean):
    def __call__(self, value):
        super().__call__(value)
        ordered = sorted(self.values)
        middle = len(ordered) // 2
        return ordered[middle] if len(ordered) % 2 else (ordered[middle - 1] + ordered[middle]) / 2


def exponential(values, share):
    out = None
    for value in values:
        out = value if out is None else share * value + (1 - share) * out
        print(f"{out:.2f}", end=" ")
    print()


mean, median = Mean(3), Median(5)
print([round(mean(r), 1) for r in readings])
print([median(r) for r in readings])
exponential(readings, 0.25)


def hysteresis(values, low, high, on=False):
    states = []
    for value in values:
        if value >= high:
            on = True
        elif value <= low:
            on = False
        states.append(on)
    return states


print(["on" if s else "off" for s in hysteresis([20, 24, 26, 25, 23, 19, 21, 27], 21, 25)])
presses, last_change, state = [], -1000, 1
for ms, level in [(0, 1), (100, 0), (104, 1), (106, 0), (300, 1), (305, 0), (306, 1), (900, 0)]:
    if level != state and ms - last_change > 20:
        state, last_change = level, ms
        if level == 0:
            presses.append(ms)
print(presses)
window, total, best = [], 0, (0, None)
for index, value in enumerate(readings):
    window.append(value)
    total += value
    if len(window) > 4:
        total -= window.pop(0)
    if len(window) == 4 and total > best[0]:
        best = (total, index)
print(best)
