"""A placed chart as one SVG file that stands on its own."""

from xml.sax.saxutils import escape

from verifex.core.program.flow.layout import LINE, PAD_Y, Placed, PlacedBox

FILLS = {"terminal": "#ebe6db", "decision": "#e8e8f4", "show": "#ecd9c6", "wait": "#f3ecc9", "end": "#f4f1ea"}


def outline(box: PlacedBox) -> str:
    """The outline as path data: questions have points at both ends, first and last boxes are round, what shows leans."""
    left, right, top, bottom = box.x - box.width / 2, box.x + box.width / 2, box.y, box.y + box.height
    match box.box.kind:
        case "decision":
            middle, point = (top + bottom) / 2, 14.0
            upper = (
                f"M{left:.1f} {middle:.1f}L{left + point:.1f} {top:.1f}H{right - point:.1f}L{right:.1f} {middle:.1f}"
            )
            return f"{upper}L{right - point:.1f} {bottom:.1f}H{left + point:.1f}Z"
        case "terminal" | "end":
            r = min(box.height / 2, 14.0)
            upper = f"M{left + r:.1f} {top:.1f}H{right - r:.1f}A{r} {r} 0 0 1 {right - r:.1f} {bottom:.1f}"
            return f"{upper}H{left + r:.1f}A{r} {r} 0 0 1 {left + r:.1f} {top:.1f}Z"
        case "show":
            return f"M{left + 8:.1f} {top:.1f}H{right:.1f}L{right - 8:.1f} {bottom:.1f}H{left:.1f}Z"
    return f"M{left:.1f} {top:.1f}H{right:.1f}V{bottom:.1f}H{left:.1f}Z"


def svg_of(charts: list[Placed]) -> str:
    """The charts of a program side by side."""
    width = sum(chart.width for chart in charts)
    height = max((chart.height for chart in charts), default=0.0)
    parts = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width:.0f} {height:.0f}" width="{width:.0f}" height="{height:.0f}" '
        'font-family="sans-serif" font-size="13">',
        '<defs><marker id="tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">'
        '<path d="M0 0L8 4L0 8Z" fill="#1f2430"/></marker></defs>',
    ]
    across = 0.0
    for chart in charts:
        parts.append(f'<g transform="translate({across:.1f} 0)"><title>{escape(chart.name)}</title>')
        for way in chart.ways:
            points = " ".join(f"{x:.1f},{y:.1f}" for x, y in way.points)
            tip = ' marker-end="url(#tip)"' if way.arrow else ""
            parts.append(f'<polyline points="{points}" fill="none" stroke="#1f2430" stroke-width="1.3"{tip}/>')
            if way.label:
                x, y = way.points[0]
                parts.append(
                    f'<text x="{x + 5:.1f}" y="{y + (14 if way.points[1][0] == x else -4):.1f}" fill="#555a69" font-size="12">{way.label}</text>'
                )
        for box in chart.boxes:
            fill = FILLS.get(box.box.kind, "#fffdf8")
            parts.append(f'<path d="{outline(box)}" fill="{fill}" stroke="#1f2430" stroke-width="1.3"/>')
            for number, line in enumerate(box.text):
                y = box.y + PAD_Y + LINE * number + 12.5
                parts.append(
                    f'<text x="{box.x:.1f}" y="{y:.1f}" text-anchor="middle" fill="#1f2430">{escape(line)}</text>'
                )
        parts.append("</g>")
        across += chart.width
    return "\n".join([*parts, "</svg>"]) + "\n"
