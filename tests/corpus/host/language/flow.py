# Loops and choices: else of loops, break and continue inside try, chained conditions, match on values.
for n in range(2, 12):
    for d in range(2, n):
        if n % d == 0:
            print(n, "=", d, "*", n // d, end="; ")
            break
    else:
        print(n, "prime", end="; ")
print()
n = 27
steps = 0
while n != 1:
    n = n // 2 if n % 2 == 0 else 3 * n + 1
    steps += 1
else:
    print("steps", steps)
state = "idle"
for event in ["start", "hot", "hot", "cool", "stop", "start"]:
    if state == "idle" and event == "start":
        state = "running"
    elif state == "running":
        if event == "hot":
            state = "alarm"
        elif event == "stop":
            state = "idle"
    elif state == "alarm":
        if event == "cool":
            state = "running"
        else:
            continue
    print(event, state, end=", ")
print()
for i in range(3):
    try:
        if i == 1:
            continue
        print("body", i, end=" ")
    finally:
        print("end", i, end=" ")
print()
i = 0
while i < 10:
    i += 1
    if i % 2:
        continue
    if i > 6:
        break
    print(i, end=" ")
print(i)
for i in []:
    pass
else:
    print("empty")
was = [False, False, True, True, False, True]
rising = 0
before = False
for now in was:
    if now and not before:
        rising += 1
    before = now
print(rising)
level, low, high, on = 0, 20, 25, False
for level in (18, 21, 26, 24, 22, 19, 21):
    if level > high:
        on = True
    elif level < low:
        on = False
    print(level, on, end=" ")
print()
print([(a, b) for a in range(3) for b in range(a)], [x for row in [[1, 2], [3]] for x in row])
print("even" if 4 % 2 == 0 else "odd", "neg" if -1 > 0 else "zero" if 0 else "else", 1 if True else 1 / 0)
if (m := 12) > 10 and not m % 2:
    print("walrus", m)
for a, (b, c) in [(1, (2, 3)), (4, (5, 6))]:
    print(a + b + c, end=" ")
print()
