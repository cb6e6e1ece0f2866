"""How likely each fault is before anything was read, against the others. Our estimate, from what beginners' benches are
sent back for; only their order and rough size matter, since one clear reading outweighs any of them.
"""

PRIORS = {
    # The program.
    "offset-forgotten": 6.0,
    "offset-added": 1.0,
    "fahrenheit": 2.0,
    "kelvin": 0.5,
    "count-printed": 3.0,
    "volts-printed": 2.0,
    "millivolts-printed": 2.0,
    "percent-printed": 1.0,
    "slope-tenfold": 2.0,
    "slope-tenth": 1.5,
    "another-slope": 1.5,
    "reference-assumed": 4.0,
    "volts-in-whole-numbers": 3.0,
    "count-divided-away": 2.5,
    "overflow": 3.0,
    "inverted-sense": 3.0,
    "echo-not-halved": 5.0,
    "echo-halved-twice": 1.0,
    "inches": 2.0,
    "microseconds-printed": 1.5,
    "tenfold": 1.0,
    "word-printed": 1.0,
    "readings-exchanged": 2.0,
    "another-unit": 1.5,
    "wrong-axis": 2.0,
    "pull-up-unset": 3.0,
    "stale-id": 2.0,
    "bytes-turned": 1.0,
    "zeros-left-out": 1.5,
    "read-too-soon": 2.0,
    "bytes-misread": 1.5,
    "read-once": 0.9,
    "pin-number-printed": 1.0,
    # The wiring, each single mistake.
    "row-off": 1.0,
    "leads-exchanged": 1.0,
    "lead-missing": 0.8,
    "another-pin": 0.8,
    "supply-pin": 1.5,
    # Parts.
    "another-kind": 2.0,
    "look-alike-part": 1.0,
    "resistor-decade": 1.0,
    "divider-turned": 2.5,
    "trimmer": 2.0,
    # The bench while it runs.
    "reference-unset": 3.0,
    "low-supply": 0.7,
    "sagging-supply": 1.0,
    "cold": 2.0,
    "corroding": 1.5,
    "shaky-contact": 1.0,
    "floating": 2.0,
    "not-answering": 2.0,
    "beyond-reach": 2.0,
    "answer-lost": 1.0,
    # The log.
    "steps-exchanged": 1.0,
    "steps-not-taken": 1.0,
    "stale-digits": 1.5,
}

#: Nothing in the list, against the least likely of it.
NOTHING = 0.2
