"""Benches that work without a program: a module switches a relay over a transistor, no board is there."""

from tests.corpus.wild import Fault, Wild

_GATE = """
id: motion-relay
title: Motion relay
summary: A motion module on a battery switches a relay over a transistor; there is no board and no program.
board: mcu-5v
program: false
minutes: 60
recipe:
  - {ref: BT1, part: battery, title: supply}
  - {ref: U1, part: motion, title: motion module}
  - {ref: Q1, part: npn, title: relay transistor}
  - {ref: R1, part: resistor, title: base resistor, settings: {value: 1k}}
  - {ref: D1, part: diode, title: coil diode}
  - {ref: K1, part: relay, title: relay}
steps:
  - {name: Nobody, ref: U1, quantity: motion, value: 0, dwell_seconds: 15}
  - {name: Somebody, ref: U1, quantity: motion, value: 1, dwell_seconds: 15}
behaviour:
  - {when: U1.motion over 0.5, then: {K1: on}, otherwise: {K1: off}}
"""
_GATE_WIRING = """\
base full
part BT1 battery plus=+L minus=-L volts=5
part U1 motion c3 c4 c5 hold=3s
wire a3 +L3
wire a5 -L5
part R1 resistor b4 b12 value=1k
part Q1 npn base=c12 collector=c13 emitter=c14
wire a14 -L14
part K1 relay coil1=h20 coil2=h22
wire j20 a13
wire i22 +L22
part D1 diode anode=g20 cathode=g22
"""
RELAY = Wild("no board and no program", _GATE, _GATE_WIRING, "", "Nobody\nrelay off\nSomebody\nrelay on\n", (
    Fault("the diode left out", "wiring", {"part D1 diode anode=g20 cathode=g22\n": ""}, ("coil-without-diode", "part-missing")),
    Fault("the diode turned round", "wiring", {"anode=g20 cathode=g22": "anode=g22 cathode=g20"}, ("coil-diode-reversed",)),
    Fault("the base resistor far too great", "wiring", {"value=1k": "value=470k"}, ("transistor-never-on", "load-never-works", "transistor-not-saturated", "alarm-never-on")),
    Fault("the base resistor at the supply", "wiring", {"part R1 resistor b4 b12 value=1k": "part R1 resistor b22 b12 value=1k\nwire a22 +L22"}, ("output-unconnected", "alarm-stays-on", "dangling-lead", "alarm-at-wrong-value")),
    Fault("the module fed backwards", "wiring", {"wire a3 +L3": "wire a3 -L3", "wire a5 -L5": "wire a5 +L5"}, ("supply-reversed",)),
    Fault("the emitter left open", "wiring", {"wire a14 -L14\n": ""}, ("dangling-lead", "transistor-emitter-open")),
    Fault("a battery of 3 V", "wiring", {"volts=5": "volts=3"}, ("supply-under",)),
    Fault("on where nobody was", "log", {"Nobody\nrelay off\n": "Nobody\nrelay on\nrelay on\n"}, ("out",)),
))  # fmt: skip

ALL = (RELAY,)
