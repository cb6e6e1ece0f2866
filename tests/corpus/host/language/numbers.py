# Arithmetic: whole numbers of any size, division, bits, conversions.
print(7 / 2, 7 // 2, -7 // 2, 7 % 3, -7 % 3, 7 % -3, 7.5 // 2, 7.5 % 2, 2**10, 2**-1, (-2) ** 3, -(2**2))
print(2**100, 10**20 // 3, -(10**20) % 7, 1_000_000, 0xFF, 0b1010, 0o17, 1e3, 1.5e-3, 0.5, 5.0)
print(5 & 3, 5 | 3, 5 ^ 3, ~5, 1 << 10, 1000 >> 3, -1 >> 1, -5 & 0xFF, (1 << 8) - 1, 0xF0 >> 4 & 0xF)
print(
    int(3.99), int(-3.99), int("42"), int(" 42 "), int("-7"), int("ff", 16), int("101", 2), int("0x1f", 16), int(True)
)
print(float("1.5"), float("1e3"), float(7), float(" 2 "), float("-inf"), float("nan") == float("nan"))
print(
    abs(-3),
    abs(-2.5),
    pow(2, 5),
    pow(2, 5, 7),
    divmod(17, 5),
    divmod(-17, 5),
    divmod(7.5, 2),
    max(3, 7, 5),
    min([4, 2]),
)
print(
    round(3.14159, 2),
    round(2.5),
    round(3.5),
    round(-0.5),
    round(1e10),
    type(round(2.5)).__name__,
    type(round(2.5, 1)).__name__,
)
print(3 > 2 > 1, 1 < 3 > 2, 1 == 1.0, 0.1 + 0.2 == 0.3, not 0, not "", 3 and 5, 0 or "x", None or 0, 1 and 0)
print(True + True, True * 5, sum([True, False, True]), isinstance(True, int), bool("False"), bool(0.0), bool([0]))
count = 0
count += 5
count -= 2
count *= 4
count //= 5
count **= 3
count %= 5
count <<= 4
count |= 1
count ^= 0xF
print(count)
x = y = 3
x, y = y + 1, x - 1
print(x, y, (x := 9) + 1, x)
adc = 512
print(adc * 3.3 / 1023, (adc * 3300) // 1023, adc >> 2, adc & 0xFF, f"{adc * 3.3 / 1023:.3f}")
total = 0.0
for _ in range(10):
    total += 0.1
print(total, total == 1.0, round(total, 9) == 1.0, int(total), 0.1 * 3, 1 - 0.9)
print(
    (10).bit_length(), (255).to_bytes(2, "big"), int.from_bytes(b"\x01\x02", "big"), int.from_bytes(b"\xff", "little")
)
