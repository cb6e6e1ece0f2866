"""A chart in the DOT language, for people who lay it out themselves."""

from verifex.core.program.flow.chart import Box, Branch, Chart, Loop, Part

SHAPES = {"decision": "hexagon", "terminal": "ellipse", "end": "ellipse", "show": "parallelogram"}
Open = list[tuple[str, str]]  # boxes that wait for what follows, each with the label of its way


class _Writer:
    def __init__(self) -> None:
        self.lines: list[str] = []
        self.count = 0

    def box(self, box: Box, prefix: str) -> str:
        self.count += 1
        name = f"{prefix}{self.count}"
        text = "\\n".join(line.replace("\\", "\\\\").replace('"', '\\"') for line in box.text)
        self.lines.append(f'  {name} [label="{text}", shape={SHAPES.get(box.kind, "box")}];')
        return name

    def join(self, open_: Open, to: str) -> None:
        for name, label in open_:
            said = f' [label="{label}"]' if label else ""
            self.lines.append(f"  {name} -> {to}{said};")

    def parts(self, parts: tuple[Part, ...], open_: Open, prefix: str) -> Open:
        for part in parts:
            open_ = self.part(part, open_, prefix)
        return open_

    def part(self, part: Part, open_: Open, prefix: str) -> Open:
        match part:
            case Box():
                name = self.box(part, prefix)
                self.join(open_, name)
                return [] if part.kind == "end" else [(name, "")]
            case Branch():
                name = self.box(part.question, prefix)
                self.join(open_, name)
                return [
                    *self.parts(part.yes, [(name, "yes")], prefix),
                    *self.parts(part.no, [(name, "no")], prefix),
                ]
            case Loop():
                question = self.box(part.question, prefix)
                if part.at_end:
                    first = self.count
                    ends = self.parts(part.body, open_, prefix)
                    self.join(ends, question)
                    if self.count > first:
                        self.join([(question, "yes")], f"{prefix}{first + 1}")
                    return [(question, "no")]
                self.join(open_, question)
                self.join(self.parts(part.body, [(question, "yes")], prefix), question)
                return [(question, "no")]
        raise TypeError(part)


def dot_of(charts: list[Chart]) -> str:
    """The charts of a program as one graph, each function in a cluster of its own."""
    lines = ["digraph program {", '  node [fontname="sans-serif"];']
    for number, chart in enumerate(charts):
        writer = _Writer()
        writer.parts(chart.parts, [], f"f{number}_")
        lines += [
            f"  subgraph cluster_{number} {{",
            f'    label="{chart.name}";',
            *("  " + line for line in writer.lines),
            "  }",
        ]
    return "\n".join([*lines, "}"]) + "\n"
