# Forms of f-strings: widths, signs, groups, bases, nested fields.
t, n, name, big = 21.4567, 42, "hive", 1234567.891
print(f"{t:.1f} {t:8.2f}|{t:<8.2f}|{t:^8.2f}|{t:08.2f}|{t:+.1f}|{-t: .1f}|{t: .1f}")
print(f"{n:5d}|{n:<5}|{n:^5}|{n:05}|{n:+}|{n:x}|{n:X}|{n:#x}|{n:b}|{n:#b}|{n:o}|{n:c}")
print(f"{big:,.2f} {big:e} {big:.3e} {big:g} {big:.3g} {0.00001234:g} {1e20:g} {int(big):,}")
print(f"{name!r} {name!s:>8} {name:*^10} {name:.2} {name:>{n // 4}} {t:{8}.{3}f}")
print(f"{0.256:.1%} {0.5:%} {1:.0%} {True:d} {True} {None} {[1, 2]} {{'braces'}}")
print(f"{n=} {t=:.2f} {name = }")
width = 12
print(f"|{'=' * width}|", f"{max(1, 2)}", f"{'a' if n > 40 else 'b'}", f"{ {'k': 1}['k'] }")
for value in (0.0, -0.0, 1e-7, 123456789.0, 1.0, 100.0, 1e16, 1e15, 2.5, 1 / 3, float("inf"), float("nan")):
    print(value, f"{value:.2f}", f"{value:g}", str(value), sep=" | ")
for value in (0, -5, 255, 65536, 10**12):
    print(hex(value), oct(value), bin(value), f"{value:>15,}", f"{value:<10d}|")
print(format(t, ".3f"), format(n, "08b"), format("x", ">4"), format(1234.5, ",.1f"))
print(round(2.675, 2), round(0.5), round(1.5), round(-2.5), round(1234.5678, -2), 7, round(2.0))
print(str(0.1 + 0.2), 1e-5, 0.0001, 1e5, 123456.789, 1.5e300, 5e-324)
