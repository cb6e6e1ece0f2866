# Small classics: recursion, sieves, sorting by hand, matrices, texts turned about.
def hanoi(n, a="A", b="B", c="C"):
    return [] if n == 0 else hanoi(n - 1, a, c, b) + [a + c] + hanoi(n - 1, b, a, c)


print(len(hanoi(5)), hanoi(3))
sieve = [True] * 60
for n in range(2, 8):
    if sieve[n]:
        for m in range(n * n, 60, n):
            sieve[m] = False
print([n for n in range(2, 60) if sieve[n]])


def sort(values):
    if len(values) < 2:
        return values
    middle = len(values) // 2
    left, right, out = sort(values[:middle]), sort(values[middle:]), []
    while left and right:
        out.append(left.pop(0) if left[0] <= right[0] else right.pop(0))
    return out + left + right


print(sort([5, 2, 9, 1, 5, 6, -3]))
a = [[1, 2], [3, 4]]
b = [[0, 1], [1, 0]]
product = [[sum(a[i][k] * b[k][j] for k in range(2)) for j in range(2)] for i in range(2)]
print(product, [list(row) for row in zip(*a)], [row[::-1] for row in a])
word = "reviver"
print(word == word[::-1], "".join(sorted("hive")), {c: word.count(c) for c in sorted(set(word))})


def roman(n):
    out = ""
    for value, sign in (
        (1000, "M"),
        (900, "CM"),
        (500, "D"),
        (400, "CD"),
        (100, "C"),
        (90, "XC"),
        (50, "L"),
        (40, "XL"),
        (10, "X"),
        (9, "IX"),
        (5, "V"),
        (4, "IV"),
        (1, "I"),
    ):
        while n >= value:
            out += sign
            n -= value
    return out


print([roman(n) for n in (4, 9, 14, 40, 1994, 2031)])


def gcd(a, b):
    while b:
        a, b = b, a % b
    return a


print(gcd(84, 36), [n for n in range(1, 30) if gcd(n, 30) == 1])
fib = [0, 1]
while fib[-1] < 200:
    fib.append(fib[-1] + fib[-2])
print(fib, sum(n for n in fib if n % 2 == 0))
code = "Hive 7!"
print("".join(chr((ord(c) - 97 + 13) % 26 + 97) if c.islower() else c for c in code))
bits = "".join(str(200 >> n & 1) for n in range(7, -1, -1))
print(bits, int(bits, 2), sum(int(bit) << n for n, bit in enumerate(reversed(bits))))
checksum = 0
for byte in b"HB-07":
    checksum ^= byte
    for _ in range(8):
        checksum = (checksum << 1 ^ 0x07) & 0xFF if checksum & 0x80 else checksum << 1 & 0xFF
print(hex(checksum))
grid = ["#..#", ".##.", "#..#"]
print(sum(row.count("#") for row in grid), ["".join(row) for row in zip(*grid)])
