# Functions that give their values one by one, and what goes through them.
import itertools
from contextlib import contextmanager


def upto(n):
    i = 0
    while i < n:
        sent = yield i
        i = i + 1 if sent is None else sent


def pairs(values):
    for a, b in zip(values, values[1:]):
        yield a, b
    return "done"


def both(n):
    yield from upto(n)
    yield from ("x", "y")


def tree(depth):
    if depth:
        yield from tree(depth - 1)
        yield depth
        yield from tree(depth - 1)


print(list(upto(4)), sum(upto(5)), max(both(2), key=str), list(tree(3)))
g = upto(10)
print(next(g), next(g), g.send(7), next(g), next(g, "end"), next(g, "end"))
for a, b in pairs([3, 1, 4, 1, 5]):
    if b > 3:
        break
    print(a, b)
it = iter([1, 2])
print(next(it), next(it), next(it, None))
try:
    next(iter([]))
except StopIteration:
    print("stopped")


def careful():
    try:
        yield 1
        raise ValueError("inside")
    finally:
        print("cleared up")


try:
    for one in careful():
        print(one)
except ValueError as wrong:
    print("ValueError", wrong)


@contextmanager
def held(name):
    print("take", name)
    yield name.upper()
    print("give back", name)


with held("pin") as pin:
    print(pin)
for n in itertools.count(3, 2):
    if n > 9:
        break
    print(n, end=" ")
print()
print(list(itertools.islice(itertools.cycle("ab"), 5)), list(itertools.chain([1], (2, 3))), list(itertools.accumulate([1, 2, 3])))
print([x for x in itertools.takewhile(lambda v: v < 3, itertools.count())], list(itertools.pairwise("abc")))


def moving(values, width):
    window = []
    for value in values:
        window = (window + [value])[-width:]
        if len(window) == width:
            yield sum(window) / width


print([round(v, 2) for v in moving(range(6), 3)])
squares = (n * n for n in range(5))
print(list(squares))
