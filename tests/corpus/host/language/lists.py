# Lists: what changes in place, slices, sorting, copies.
values = [5, 3, 8, 1]
values.append(9)
values.extend([2, 7])
values.insert(2, 4)
print(values, len(values), values.index(8), values.count(3), 8 in values)
values.remove(8)
print(values.pop(), values.pop(0), values)
values.sort()
print(values, sorted(values, reverse=True), list(reversed(values)))
values.reverse()
print(values, values[1:3], values[-2:], values[::2], values[::-1], values[5:2])
values[1:3] = [10, 11, 12]
print(values)
values[0] += 100
del values[1]
del values[1:3]
print(values, values * 2, [0] * 4, values + [1])
copy = values.copy()
copy.clear()
print(values, copy, values == values[:], values is values[:])
words = ["pear", "fig", "apple", "kiwi"]
words.sort(key=len)
print(words, sorted(words), sorted(words, key=lambda w: w[-1]), max(words, key=len), min(words))
pairs = [("b", 2), ("a", 2), ("c", 1)]
print(sorted(pairs), sorted(pairs, key=lambda p: (p[1], p[0])), sorted(pairs, key=lambda p: p[1], reverse=True))
grid = [[0] * 3 for _ in range(2)]
grid[1][2] = 7
print(grid, [cell for row in grid for cell in row], [[r + c for c in range(2)] for r in range(2)])
first, *middle, last = [1, 2, 3, 4]
print(first, middle, last)
a, (b, c) = 1, (2, 3)
print(a, b, c, [*range(3), *"ab"], (1,), (), tuple([1, 2]), [1, 2] < [1, 3], (1, 2) == (1, 2))
print(
    [n for n in range(20) if n % 2 if n % 3],
    [n if n % 2 else -n for n in range(5)],
    sum([1.5, 2.5]),
)
print(
    list(zip([1, 2, 3], "ab")),
    list(enumerate("ab", start=1)),
    list(map(lambda x: x * 2, [1, 2])),
    list(filter(lambda x: x > 1, [1, 2])),
)
print(
    any(n > 3 for n in [1, 4]),
    all(n > 0 for n in []),
    list(range(5, 0, -2)),
    list(range(0)),
    range(3)[1],
    len(range(0, 10, 3)),
)
window = []
for reading in [20.0, 20.5, 21.0, 30.0, 21.5]:
    window.append(reading)
    if len(window) > 3:
        window.pop(0)
    print(round(sum(window) / len(window), 2), sorted(window)[len(window) // 2], end="; ")
print()
