"""Bytes of a sensor's registers taken apart and put together, and readings as JSON."""

import json
import math
import struct

registers = bytes([0x12, 0x34, 0xFF, 0x80, 0x00, 0x00, 0xC8, 0x41])
high, low = struct.unpack(">BB", registers[:2])
print(high << 8 | low, struct.unpack(">H", registers[:2])[0], struct.unpack("<H", registers[:2])[0])
(signed,) = struct.unpack(">h", registers[2:4])
print(signed, signed / 340 + 36.53)
print(struct.unpack("<f", registers[4:8])[0])
print(struct.unpack_from("<hhi", registers, 0))
print(struct.calcsize("<hBf"), struct.calcsize("<3s2H"))

frame = struct.pack("<BhI4s", 7, -300, 70000, b"hive")
print(len(frame), frame[0], frame[-1], frame.hex())
kind, heat, count, name = struct.unpack("<BhI4s", frame)
print(kind, heat, count, name.decode())
buffer = bytearray(6)
struct.pack_into(">H", buffer, 2, 0xABCD)
print(list(buffer))
try:
    struct.unpack("<I", b"ab")
except Exception as wrong:
    print("too short", isinstance(wrong, Exception))


def checksum(data):
    total = 0
    for byte in data:
        total = (total + byte) & 0xFF
    return (~total + 1) & 0xFF


print(checksum(frame), (sum(frame) + checksum(frame)) % 256)

reading = {"bench": 7, "values": [21.5, None, True], "name": "west", "inner": {"a": []}}
text = json.dumps(reading)
print(text)
again = json.loads(text)
print(again == reading, again["values"][0] + 1, again["inner"]["a"] is not None)
print(json.loads("[1, 2.5, \"x\", false]"))
try:
    json.loads("{broken")
except ValueError:
    print("no JSON")

print(round(math.sinh(1), 6), round(math.tanh(0.5), 6), math.ldexp(0.75, 4), math.frexp(10.0))
print([round(math.atanh(x / 4), 4) for x in range(3)])
