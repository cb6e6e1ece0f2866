# A log read line by line: what is a reading, what begins a step, what is left out.
LOG = """# Room air
T: 21.5 C
T: 21.7 C
error: no answer
T: 21,9 C
# Warm pack
T: 38.2 C

T: 37.9 C
T: nan C
"""


def value_of(line):
    text = line.replace(",", ".").split(":", 1)[-1].replace("C", "").strip()
    try:
        value = float(text)
    except ValueError:
        return None
    return value if value == value else None


steps, current, left_out = {}, None, []
for number, line in enumerate(LOG.splitlines(), start=1):
    line = line.strip()
    if not line:
        continue
    if line.startswith("#"):
        current = line.lstrip("# ")
        steps[current] = []
        continue
    found = value_of(line) if line.startswith("T") else None
    if found is None:
        left_out.append((number, line))
    else:
        steps[current].append(found)
for name, values in steps.items():
    mean = sum(values) / len(values)
    spread = max(values) - min(values)
    print(f"{name:<12}|{len(values):>3}|{mean:>7.2f}|{spread:>6.2f}")
print(left_out)
rows = [name + "," + ",".join(f"{value:.1f}" for value in values) for name, values in steps.items()]
print("\n".join(rows))
counts = {}
for values in steps.values():
    for value in values:
        band = int(value // 10) * 10
        counts[band] = counts.get(band, 0) + 1
for band in sorted(counts):
    print(f"{band:3d}..{band + 9:3d} {'#' * counts[band]}")
