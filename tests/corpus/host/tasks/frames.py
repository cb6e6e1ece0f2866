"""Bytes as they come over a bus or a wire: packed, checked, taken apart."""


def check(data):
    total = 0
    for value in data:
        total = (total + value) & 0xFF
    return (~total) & 0xFF


def framed(kind, payload):
    body = bytes([kind, len(payload)]) + payload
    return b"\x7e" + body + bytes([check(body)])


def unframed(raw):
    if raw[0] != 0x7E:
        raise ValueError("no start")
    kind, length = raw[1], raw[2]
    payload = raw[3 : 3 + length]
    if check(raw[1 : 3 + length]) != raw[3 + length]:
        raise ValueError("check")
    return kind, bytes(payload)


sent = framed(3, b"21.5")
print(sent, len(sent))
print(unframed(sent))
broken = bytearray(sent)
broken[4] ^= 1
try:
    unframed(broken)
except ValueError as problem:
    print("refused:", problem)
try:
    unframed(sent[1:])
except ValueError as problem:
    print("refused:", problem)

raw = bytearray(6)
raw[0] = 0x66
raw[1] = 0x5A
raw[3:5] = b"\x70\x01"
print(list(raw), raw[0] << 8 | raw[1], (raw[3] << 8 | raw[4]) >> 2)
print(-45 + 175 * (raw[0] << 8 | raw[1]) / 65535)


def signed(high, low):
    value = high << 8 | low
    return value - 65536 if value & 0x8000 else value


for pair in ((0x7F, 0xFF), (0x80, 0x00), (0xFF, 0xFE), (0, 25)):
    print(signed(*pair), end=" ")
print()

print(int.from_bytes(b"\x01\x02", "big"), int.from_bytes(b"\x01\x02", "little"), (513).to_bytes(2, "big"))
print(" ".join("{:02x}".format(b) for b in sent))
print(b"a,b,c".split(b","), b"count=12".decode(), "21 °C".encode())
print(bytes(3), bytes([65, 66]), bytearray(b"xy"), b"abc"[1], b"abc"[1:], b"b" in b"abc")
print(sum(b"\x01\x02\x03"), max(b"az"), b"ab" + b"cd", b"-" * 4, b"ab" == bytearray(b"ab"))
line = b" 21.5,40,ok\r\n"
words = line.strip().split(b",")
print(words, float(words[0]), int(words[1]) + 1, words[2] == b"ok", words[2] == "ok", b"+".join(words))
print(line.find(b"40"), line.rstrip(), b"ab".upper(), line.count(b","), line.replace(b",", b"; "), b"12".isdigit())
kept = bytearray()
for value in b"go\n":
    if value == 10:
        print(kept, kept.decode(), kept.startswith(b"g"))
        kept = bytearray()
    else:
        kept.append(value)
kept.extend(b"left")
print(kept, len(kept), bytes(kept[1:3]), b"e" in kept, kept + b"!")
