# Errors: which are raised, what is caught, in which order, what is always done.
def attempt(action):
    try:
        result = action()
    except ZeroDivisionError as wrong:
        return f"zero: {wrong}"
    except (KeyError, IndexError) as wrong:
        return f"{type(wrong).__name__}: {wrong}"
    except ValueError as wrong:
        return f"value: {wrong}"
    except Exception as wrong:
        return f"other: {type(wrong).__name__}"
    else:
        return f"fine: {result}"
    finally:
        print("done", end=" ")


for action in (
    lambda: 1 / 2,
    lambda: 1 / 0,
    lambda: 1 % 0,
    lambda: 1.0 // 0,
    lambda: {}["k"],
    lambda: [][0],
    lambda: "ab"[5],
    lambda: int("x"),
    lambda: float("1,5"),
    lambda: "a" + 1,
    lambda: None.read(),
    lambda: [1].index(9),
    lambda: (1).nothing,
    lambda: [1, 2] + 3,
    lambda: len(5),
    lambda: "abc".index("z"),
    lambda: 5(),
    lambda: [].pop(),
    lambda: {1}.remove(2),
    lambda: int([]),
    lambda: round("x"),
    lambda: max([]),
    lambda: "x" < 1,
    lambda: chr(-1),
    lambda: [3][1.0],
):
    print(attempt(action))


class SensorError(Exception):
    def __init__(self, pin, reason="no answer"):
        super().__init__(f"pin {pin}: {reason}")
        self.pin = pin


class TooHot(SensorError):
    pass


for error in (SensorError(4), TooHot(5, "86 C"), ValueError("plain"), RuntimeError()):
    try:
        raise error
    except TooHot as hot:
        print("hot", hot, hot.pin)
    except SensorError as wrong:
        print("sensor", wrong, wrong.pin, wrong.args)
    except Exception as wrong:
        print("else", repr(wrong), str(wrong), wrong.args)


def nested():
    try:
        try:
            raise KeyError("inner")
        finally:
            print("first", end=" ")
    except KeyError:
        print("second", end=" ")
        raise ValueError("outer")


try:
    nested()
except ValueError as wrong:
    print(wrong)


def returns():
    for n in range(3):
        try:
            if n == 1:
                return n
        finally:
            print("left", n, end=" ")


print(returns())
tries = 0
while True:
    tries += 1
    try:
        if tries < 3:
            raise OSError("bus")
        break
    except OSError:
        continue
print(tries)
try:
    assert tries == 4, f"tries is {tries}"
except AssertionError as wrong:
    print("assert", wrong)
