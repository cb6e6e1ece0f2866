# Functions: defaults, names, closures, recursion, decorators, generators of values.
def mean(*values, start=0.0):
    return start + sum(values) / len(values) if values else start


def describe(name, unit="C", *more, low=0, **others):
    return name, unit, more, low, sorted(others.items())


print(mean(), mean(1, 2, 3), mean(1, start=10), describe("t"), describe("t", "F", 1, 2, low=5, a=1, b=2))
print(describe(*["h", "%"], low=1, x=2), describe(unit="V", name="u"))


def counter(step=1):
    total = 0

    def up():
        nonlocal total
        total += step
        return total

    return up


one, two = counter(), counter(2)
print(one(), one(), two(), two(), one())


def kept(value, seen=[]):
    seen.append(value)
    return seen


print(kept(1), kept(2), kept(3, []))
limit = 5


def inner_limit():
    limit = 7
    return limit


def change_limit():
    global limit
    limit += 1


change_limit()
print(limit, inner_limit(), limit)


def depth(n):
    """Says nothing."""
    return 0 if n == 0 else 1 + depth(n - 1)


print(depth(40), (lambda: "no arguments")(), (lambda a, b=2: a + b)(1), [f(3) for f in (abs, str, lambda n: n * n)])


def nothing():
    pass


def early(n):
    for k in range(n):
        if k == 2:
            return k
    return -1


print(nothing(), early(5), early(1), nothing() is None)
operations = {"add": lambda a, b: a + b, "sub": lambda a, b: a - b}
for name in sorted(operations):
    print(name, operations[name](5, 3), end=" ")
print()
adders = [lambda x, n=n: x + n for n in range(3)]
late = [lambda x: x + n for n in range(3)]
print([f(10) for f in adders], [f(10) for f in late])
