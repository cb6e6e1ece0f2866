# What programs import besides pins: mathematics, statistics, collections of values, time as numbers.
import math
import math as m
from math import cos, floor, pi

print(math.sqrt(16), math.pi, m.e, floor(-2.5), math.ceil(2.1), math.trunc(-2.7), math.fabs(-3), math.fmod(7, 3))
print(
    round(cos(pi / 3), 9),
    round(math.sin(pi / 2), 9),
    round(math.tan(pi / 4), 9),
    math.atan2(0, -1),
    math.degrees(pi),
    math.radians(180),
)
print(math.log(math.e), math.log10(1000), math.log2(8), math.log(8, 2), math.exp(0), math.pow(2, 3), math.hypot(3, 4))
print(
    math.isnan(float("nan")),
    math.isinf(float("inf")),
    math.isclose(0.1 + 0.2, 0.3),
    math.gcd(12, 18),
    math.factorial(5),
    math.inf > 1e308,
)
print(
    round(math.asin(1), 6),
    round(math.acos(0), 6),
    round(math.atan(1), 6),
    math.copysign(1, -0.0),
    math.modf(2.5),
    math.floor(2),
)
import statistics

readings = [21.5, 22.0, 21.0, 23.5]
print(
    statistics.mean(readings),
    statistics.median(readings),
    round(statistics.stdev(readings), 6),
    round(statistics.pstdev(readings), 6),
)
resistance = 12_000
beta, r0, t0 = 3950, 10_000, 298.15
celsius = 1 / (1 / t0 + math.log(resistance / r0) / beta) - 273.15
print(f"{celsius:.2f}", round(celsius, 1))
