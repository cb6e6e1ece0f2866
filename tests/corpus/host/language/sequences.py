"""Going through things: ranges, pairs, keys, and what is made of them."""

levels = [503, 501, 501, 508, 499]
print([level - 500 for level in levels], list(range(10, 0, -3)), list(enumerate("ab")), list(range(3, 3)))
print([a * b for a, b in zip(range(4), levels)], list(zip("abc", (1, 2))), dict(zip("ab", range(2))))
print(any(value > 505 for value in levels), all(value > 505 for value in levels), any([]), all([]))
print({value: index for index, value in enumerate(levels) if value % 2})
print(",".join(str(value) for value in levels), sum(value % 10 for value in levels), max(len(w) for w in ("a", "bcd")))
for index, (a, b) in enumerate(zip("xy", (1, 2)), 1):
    print(index, a, b)
print(list(map(lambda v: v * 2, levels)), list(filter(lambda v: v > 502, levels)))
print(list(reversed(levels)), sorted(levels, reverse=True), sorted(levels, key=lambda v: abs(v - 501)))
first, second, *others = levels
print(first, second, others)
*others, last = levels
print(others, last)
print(levels[1:3], levels[-2:], levels[::2], levels[::-1], levels[:100], levels[5:], levels[-1], levels[1:-1:2])
changed = levels[:]
changed[1:3] = [1, 2, 3]
print(changed, len(changed), levels)
del changed[0], changed[-1]
print(changed)
changed.insert(1, 9)
changed.extend([7, 7])
print(changed, changed.count(7), changed.index(7), changed.pop(0), changed.pop(), changed)
pairs = [("lid", 3), ("gate", 1), ("lid", 2), ("gate", 1)]
tally = {}
for name, amount in pairs:
    tally[name] = tally.get(name, 0) + amount
print(tally, sorted(tally.items(), key=lambda item: item[1]), max(tally, key=tally.get), sum(tally.values()))
print(sorted(pairs), sorted(set(pairs)), min(pairs), ("lid", 3) in pairs, ("a", 2) < ("a", 10) < ("b",))
nested = {"hive 1": {"mass": 31.5, "open": False}, "hive 2": {"mass": 28.25, "open": True}}
for hive, values in nested.items():
    for key, value in values.items():
        print(hive, key, value)
print([hive for hive, values in nested.items() if values["open"]], nested["hive 2"]["mass"] - nested["hive 1"]["mass"])
print([[row * column for column in range(1, 4)] for row in range(1, 4)])
print([value for row in ((1, 2), (3,), ()) for value in row], {c for c in "hive"} == set("hvei"))
window = []
for level in levels:
    window.append(level)
    if len(window) > 3:
        del window[0]
    print(round(sum(window) / len(window), 1), end=" ")
print()
for outer in range(3):
    for inner in range(3):
        if inner == outer:
            continue
        if inner + outer > 2:
            break
        print(outer, inner, end="; ")
    else:
        print("all of", outer, end="; ")
print()
seen = set()
for level in levels:
    if level in seen:
        print("again", level)
    seen.add(level)
print(len(seen), seen - {503, 499} == {501, 508}, seen & {501}, {1} | {2} == {1, 2}, {1} ^ {1, 2}, {1} <= {1, 2})
print(levels == list(tuple(levels)), [1, 2] + [3], [0] * 3, (1,) * 2, len("ab" * 3), [] == (), (1, 2) == (1, 2))
queue = [3, 1, 2]
while queue:
    print(queue.pop(), end=" ")
print(queue, bool(queue), not queue)
best = None
for index, level in enumerate(levels):
    if best is None or level < levels[best]:
        best = index
print(best, levels[best], levels.index(min(levels)))
