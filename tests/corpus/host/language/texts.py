# Methods of texts, as a log or a display line is put together.
line = "  Brood box;21.50;OK\n"
fields = line.strip().split(";")
print(fields, len(fields), fields[-1].lower())
print("hive".title(), "HIVE".capitalize(), "Hive".swapcase(), ["a", "b", "", "c"])
print("7".zfill(4), "-7".zfill(4), "ab".ljust(5) + "|", "ab".rjust(5, "."), "ab".center(6, "*"))
print(["one", "two", "three"], ["one", "two"], ["a", "b=c"], ["x"])
print("a\nb\r\nc".splitlines(), "21.5 C".rstrip(" C"), "xxhixx".strip("x"), "xxhi".lstrip("x"))
print("banana".count("an"), "banana".find("na"), "banana".rfind("na"), "banana".index("n"), "banana".find("z"))
print("sensor_1".startswith(("led", "sensor")), "data.csv".endswith(".csv"), "temp".startswith("em", 1))
print("abc".isalpha(), "a1".isalnum(), "12".isdigit(), "1.5".isdigit(), " ".isspace(), "Ab".isupper(), "ab".islower())
print("-".join(["a", "b", "c"]), "".join(reversed("abc")), "a-b".replace("-", "+"), "aaa".replace("a", "b", 2))
print("key: value".partition(": "), "a.b.c".rpartition("."), "none".partition("x"))
print(
    "tab\there",
    'quote "x"',
    "it's",
    r"raw\n",
    "concat",
    """three
lines
here""",
)
word = "thermometer"
print(word[3:6], word[::2], word[-5:-1], word[::-1], word[100:], word[:0] == "")
for letter in "abc":
    print(letter, ord(letter), chr(ord(letter) + 1), end=" ")
print()
print("°C", "Ω", "µ", len("°C"), "21 °C".encode(), b"ok".decode())
print(repr("a'b"), repr('a"b'), repr("a\nb"), str(None), str(True), str(1.0))
print("a" < "b", "B" < "a", "10" < "9", "abc" == "abc", "in" in "string", "z" not in "abc")
print("%s is %d and %.2f, %5s|%-5s|%05d|%+d|%e|%x|%%" % ("t", 7.9, 3.14159, "r", "l", 42, 5, 1234.5, 255))
print(f"{1} {2} {3}", "{1} {0}".format("a", "b"), "{name}: {value:.1f}".format(name="t", value=2.25))
