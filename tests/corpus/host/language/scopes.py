# Which value a name has where, what is shared and what is copied, in which order things are worked out.
x = "program"


def shadow():
    x = "function"
    return x


def reads():
    return x


def nested():
    x = "outer"

    def inner():
        return x

    def changes():
        nonlocal x
        x = "changed"

    before = inner()
    changes()
    return before, inner(), x


print(shadow(), reads(), nested(), x)
shared = [1, 2]
alias, copied = shared, shared[:]
alias.append(3)
print(shared, copied, alias is shared, copied is shared)


def grow(values, more=None):
    more = more or []
    more.append(len(values))
    values += more
    return values


print(grow(shared), shared, grow([], [9]))
rows = [[0] * 2] * 2
rows[0][0] = 1
own = [[0] * 2 for _ in range(2)]
own[0][0] = 1
print(rows, own)
n = 5
squares = [n * n for n in range(3)]
print(n, squares)
for n in range(2):
    pass
print(n)


def order(name, value):
    print(name, end=" ")
    return value


print(
    order("a", 1) + order("b", 2) * order("c", 3),
    order("d", 0) and order("never", 1),
    order("e", 1) or order("never", 2),
)
numbers = [1, 2, 3]
numbers[order("i", 0)] = order("v", 9)
print(numbers)
i = 0
i, numbers[i] = 1, 7
print(i, numbers)
a, b = 1, 2
a, b = b, a
print(a, b, (lambda: a)(), [f() for f in [lambda: b, lambda: a + b]])
text = "abc"
kept = text
text += "d"
print(kept, text, kept is text)
total = 0
for k in range(3):
    for k in range(k):
        total += k
print(total, k)
values = {"a": 1}
try:
    values["b"]
except KeyError as missing:
    print("no", missing)
del values["a"]
print(values)
