"""How students print: marks, labels, units, stamps, line ends, and what else gets into a log."""

from collections.abc import Sequence
from dataclasses import dataclass
from random import Random


@dataclass(frozen=True)
class Column:
    """One printed reading: its label, its unit as students write it, and how many decimals."""

    labels: tuple[str, ...]
    units: tuple[str, ...]
    decimals: int


MARKS = (
    "# {name}", "--- {name} ---", "*** {lower} ***", "[{lower}]", ">>> {name}", "step {n}", "Step {n}: {name}", "now: {lower}",
    "{n}) {name}", "{name}:", "== {upper} ==", "// {lower}", "### {n}. {name}", "<{name}>", "-- now {lower} --", "# {typo}",
)  # fmt: skip
BOOTS = (
    (),
    (),
    ("Booting...",),
    ("sensor lab 3 v1.2", "ready"),
    ("=====",),
    ("hello", "calibrating, please wait"),
    ("boot 8 2016 00:22:57", "reset:1"),
)
LINES = (
    "bare",
    "labelled",
    "label-unit",
    "glued",
    "csv",
    "tabs",
    "stamped",
    "bracket",
    "ms",
    "sentence",
    "equals",
    "counted",
    "comma",
)


@dataclass(frozen=True)
class Habit:
    """One pair's way of printing: all of it chosen once and kept."""

    mark: str
    line: str
    label: str
    boot: tuple[str, ...]
    ending: str
    noise_lines: bool
    every_ms: int

    @classmethod
    def of(cls, rng: Random, columns: Sequence[Column], *, marked: bool = True) -> "Habit":
        line = rng.choice(LINES)
        if len(columns) > 1 and line in ("comma", "sentence", "counted"):
            line = "labelled"
        return cls(
            mark=rng.choice(MARKS) if marked else "",
            line=line,
            label="",
            boot=rng.choice(BOOTS),
            ending=rng.choice(["\n", "\n", "\r\n"]),
            noise_lines=rng.random() < 0.15,
            every_ms=rng.choice([250, 500, 1000, 2000]),
        )


def typo_of(name: str, rng: Random) -> str:
    at = rng.randrange(1, len(name) - 1)
    return name[:at] + name[at + 1 :]


def mark_line(habit: Habit, name: str, n: int, rng: Random) -> str:
    return habit.mark.format(name=name, lower=name.lower(), upper=name.upper(), n=n, typo=typo_of(name, rng))


def value_line(
    habit: Habit,
    columns: Sequence[Column],
    values: Sequence[float | None],
    labels: Sequence[str],
    units: Sequence[str],
    n: int,
) -> str:
    """One line of readings, the n-th of the log."""
    texts = ["nan" if v is None else f"{v:.{c.decimals}f}" for v, c in zip(values, columns, strict=True)]
    ms = 1200 + n * habit.every_ms
    clock = f"{11 + ms // 3_600_000:02d}:{ms // 60_000 % 60:02d}:{ms // 1000 % 60:02d}.{ms % 1000:03d}"
    both = [f"{label}: {text} {unit}".rstrip() for label, text, unit in zip(labels, texts, units, strict=True)]
    match habit.line:
        case "bare":
            return " ".join(texts)
        case "labelled":
            return "  ".join(f"{label}: {text}" for label, text in zip(labels, texts, strict=True))
        case "label-unit":
            return ", ".join(both)
        case "glued":
            return " ".join(f"{text}{unit}" for text, unit in zip(texts, units, strict=True))
        case "csv":
            return ",".join(texts) if len(texts) > 1 else f"{ms},{texts[0]}"
        case "tabs":
            return "\t".join([str(ms), *texts])
        case "stamped":
            return f"{clock} -> {' '.join(both)}"
        case "bracket":
            return f"[{ms}] " + " ".join(texts)
        case "ms":
            return f"{ms} ms: " + " ".join(texts)
        case "sentence":
            return f"The {labels[0]} is {texts[0]} {units[0]}".rstrip()
        case "equals":
            return " ".join(f"{label}={text}" for label, text in zip(labels, texts, strict=True))
        case "counted":
            return f"{n + 1}: {labels[0]} {texts[0]} {units[0]}".rstrip()
        case "comma":
            return texts[0].replace(".", ",")
    raise ValueError(habit.line)


def write_log(
    rng: Random, habit: Habit, columns: Sequence[Column], steps: Sequence[tuple[str, Sequence[Sequence[float | None]]]]
) -> str:
    """The whole log: `steps` are names with the readings, each a value for every column."""
    labels = [rng.choice(column.labels) for column in columns]
    units = [rng.choice(column.units) for column in columns]
    lines = list(habit.boot)
    if habit.line == "csv" and len(columns) > 1 and rng.random() < 0.5:
        lines.append(",".join(labels))
    n = 0
    for index, (name, readings) in enumerate(steps):
        if habit.mark:
            lines.append(mark_line(habit, name, index + 1, rng))
        for values in readings:
            lines.append(value_line(habit, columns, values, labels, units, n))
            n += 1
            if habit.noise_lines and rng.random() < 0.05:
                lines.append(rng.choice(["", "ok", "...", "\ufffd\ufffd\x01"]))
    if rng.random() < 0.15 and lines:
        lines[-1] = lines[-1][: max(1, len(lines[-1]) - 2)] if len(lines[-1]) > 6 else lines[-1]
    return habit.ending.join(lines) + habit.ending
