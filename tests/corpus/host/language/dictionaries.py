# Dictionaries and sets, as settings and counts are kept.
limits = {"low": 18, "high": 26}
limits["unit"] = "C"
print(limits, limits["low"], limits.get("none"), limits.get("none", 0), "high" in limits, len(limits))
for key in limits:
    print(key, end=" ")
for key, value in limits.items():
    print(key, value, end="; ")
print(list(limits.keys()), list(limits.values()), sorted(limits), list(limits.items())[0])
print(limits.pop("unit"), limits.pop("gone", None), limits.setdefault("step", 1), limits)
limits.update({"low": 19}, high=27)
del limits["step"]
print(limits, {k: v * 2 for k, v in limits.items()}, dict(a=1, b=2), dict([("x", 1)]), {**limits, "z": 0})
counts = {}
for letter in "mississippi":
    counts[letter] = counts.get(letter, 0) + 1
print(counts, max(counts, key=counts.get), sorted(counts.items(), key=lambda item: -item[1]))
nested = {"U1": {"pin": 4, "values": [1, 2]}, "U2": {"pin": 5, "values": []}}
nested["U2"]["values"].append(9)
print(nested["U1"]["pin"], nested["U2"], [part for part in nested if nested[part]["values"]])
table = {(0, 1): "a", 2: "b", None: "c", True: "d"}
print(table[(0, 1)], table[2], table[None], table[1], dict() == {}, {1: 2} == {1: 2.0})
seen = set()
for code in [3, 1, 3, 2, 1]:
    if code in seen:
        print("again", code, end=" ")
    seen.add(code)
print(sorted(seen), len(seen), {1, 2} | {3}, {1, 2} & {2, 3}, {1, 2} - {2}, {1, 2} ^ {2, 3}, {1} <= {1, 2})
seen.discard(9)
seen.remove(1)
print(
    sorted(seen), set("aab") == {"a", "b"}, 2 in seen, sorted({n % 3 for n in range(9)}), seen.union([7]) == {2, 3, 7}
)
print(limits.popitem(), limits, list({"b": 1, "a": 2}), bool({}), bool({0}))
