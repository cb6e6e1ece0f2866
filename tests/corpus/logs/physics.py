"""What the pins of each bench of the course give, from school physics. Nothing here comes from the product."""

import math
from collections.abc import Callable
from random import Random

Readings = list[float | None]
Sample = Callable[[int], float | None]  # the value at the n-th reading of a step; None for a read that failed


class Bench:
    """One pair's bench: `at(before, now)` gives a sampler for a step, in the unit the right program prints, and `formula` is what
    the program makes of what it reads. Faults put others in their place."""

    formula: Callable[..., float]
    at: Callable[[float, float], Sample]

    def __init__(self, rng: Random) -> None:
        self.rng = rng
        self.rail = rng.uniform(4.85, 5.1)
        self.assumed = 5.0  # the volts that the formula puts in
        self.compared: float | None = None  # what the converter compares with; None: the rail
        self.settle = rng.choice([0.0, 0.0, 3.0])  # readings in which a step still settles

    def noisy_count(self, volts: float) -> int:
        reference = self.compared or self.rail
        count = volts / reference * 1024 + self.rng.gauss(0, 0.45)
        return max(0, min(1023, int(count)))

    def towards(self, before: float, now: float, n: int) -> float:
        return now if not self.settle else now + (before - now) * math.exp(-n / self.settle)


class Thermometer(Bench):
    """An analogue thermometer: volts rise with the temperature."""

    offset_volts, slope_volts = 0.5, 0.010

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.error = rng.uniform(-0.8, 0.8)
        self.formula = lambda count: (count * self.assumed / 1024 - 0.5) * 100

    def volts(self, celsius: float) -> float:
        return max(0.0, self.offset_volts + self.slope_volts * (celsius + self.error))

    def count(self, celsius: float) -> int:
        return self.noisy_count(self.volts(celsius))

    def at(self, before: float, celsius: float) -> Sample:
        return lambda n: self.formula(self.count(self.towards(before, celsius, n)))


class LightCell(Bench):
    """A cell over a resistor to ground; the count is printed."""

    below_ohms = 4700.0
    turned = False

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.r10, self.gamma = rng.uniform(9000, 17000), rng.uniform(0.63, 0.77)
        self.formula = float

    def at(self, before: float, lux: float) -> Sample:
        def sample(n: int) -> float:
            cell = min(1e6, self.r10 * (10 / max(lux, 0.01)) ** self.gamma)
            share = self.below_ohms / (cell + self.below_ohms)
            if self.turned:
                share = 1 - share
            return self.formula(self.noisy_count(self.rail * share))

        return sample


class Strip(Bench):
    """A water strip: the wetter, the more of its supply; the count is printed."""

    lost_a_step = 0.0

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.sample_share = rng.uniform(0.92, 1.1)
        self.formula = float
        self.steps = 0

    def at(self, before: float, percent: float) -> Sample:
        wet = 0.0 if percent <= 0 else 0.63 * (percent / 100) ** 0.2
        self.steps += 1
        left = (1 - self.lost_a_step) ** self.steps

        def sample(n: int) -> float:
            fades = 1 - self.lost_a_step * 0.3 * min(1.0, n / 20)
            return self.formula(self.noisy_count(self.rail * min(1.0, wet * self.sample_share * left * fades)))

        return sample


class Gas(Bench):
    """A heated gas module over 10 kΩ; the count is printed."""

    cold = False

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.r0 = rng.uniform(7000, 12000)
        self.formula = float
        self.seconds = 0.0

    def at(self, before: float, ppm: float) -> Sample:
        def sample(n: int) -> float:
            ratio = 9.8 if ppm < 30 else min(9.8, (ppm / 1150) ** (-1 / 1.66))
            share = 10_000 / (10_000 + self.r0 * ratio)
            if self.cold:
                self.seconds += 1
                share += (0.85 - share) * math.exp(-self.seconds / 22)
            return self.formula(self.noisy_count(self.rail * share))

        return sample


class Echo(Bench):
    """An ultrasonic module: microseconds there and back, divided by 58."""

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.air = rng.uniform(18, 25)
        self.error = rng.uniform(-0.2, 0.2)
        self.formula = lambda us: us / 58.3

    def at(self, before: float, cm: float) -> Sample:
        speed = (331.3 + 0.606 * self.air) / 1e4  # cm a µs
        return lambda n: self.formula(int(2 * (cm + self.error + self.rng.gauss(0, 0.08)) / speed))


class Numbers(Bench):
    """A module that sends numbers by itself: probe, climate, motion."""

    step, error_half = 0.0625, 0.35

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.error = rng.uniform(-self.error_half, self.error_half)
        self.formula = lambda value: value

    def at(self, before: float, value: float) -> Sample:
        def sample(n: int) -> float | None:
            seen = self.towards(before, value, n) + self.error + self.rng.gauss(0, self.step * 0.4)
            return self.formula(round(seen / self.step) * self.step)

        return sample


class Damp(Numbers):
    step, error_half = 0.1, 2.0


class Warm(Numbers):
    step, error_half = 0.1, 0.4


class Tilt(Numbers):
    """One axis in g, printed as an angle."""

    step, error_half = 1 / 16384, 0.02

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.settle = 0.0
        self.formula = lambda g: math.degrees(math.asin(max(-1.0, min(1.0, g))))

    def at(self, before: float, g: float) -> Sample:
        return lambda n: self.formula(g + self.error + self.rng.gauss(0, 0.004))


class Switch(Bench):
    """A level: `active_low` gives 0 when something is there. It is there up to `point` of the distance."""

    active_low, point = False, 0.5

    def __init__(self, rng: Random) -> None:
        super().__init__(rng)
        self.formula = float

    def is_there(self, value: float) -> bool:
        return value >= self.point

    def at(self, before: float, value: float) -> Sample:
        return lambda n: self.formula(int(self.is_there(value) != self.active_low))


class Obstacle(Switch):
    active_low, point = True, 10.0

    def is_there(self, value: float) -> bool:
        return value <= self.point


def floating(bench: Bench) -> Callable[[float, float], Sample]:
    """An input that nothing holds: it drifts and picks up whatever is near."""
    state = {"count": bench.rng.uniform(200, 700)}

    def at(before: float, value: float) -> Sample:
        def sample(n: int) -> float:
            state["count"] += bench.rng.gauss(0, 45) + 70 * math.sin(n * 1.9)
            state["count"] = min(1000.0, max(20.0, 0.94 * state["count"] + 26))
            return bench.formula(int(state["count"]))

        return sample

    return at


def shaky(bench: Bench) -> Callable[[float, float], Sample]:
    """A contact that comes and goes: now the reading, now an open input near 0."""
    plain = bench.at

    def at(before: float, value: float) -> Sample:
        sound = plain(before, value)

        def sample(n: int) -> float | None:
            if bench.rng.random() < 0.6:
                return bench.formula(int(bench.rng.uniform(0, 40)))
            return sound(n)

        return sample

    return at
