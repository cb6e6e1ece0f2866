"""`make picture`: the packages of the application and the rooms of the core as boxes, with an arrow for each import that does
not follow from the others, into docs/imports.svg. A test holds that the picture is the one of the code as it is."""

from pathlib import Path
from xml.sax.saxutils import escape

from grimp import ImportGraph, build_graph

PICTURE = Path(__file__).parent.parent / "docs" / "imports.svg"
BOX_WIDTH, BOX_HEIGHT, GAP_X, GAP_Y, MARGIN = 116, 30, 18, 42, 24
HEAD = (
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}" font-family="sans-serif" font-size="14">\n'
    '<defs><marker id="head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">'
    '<path d="M0 0l8 4-8 4z" fill="#6b6f78"/></marker></defs>\n<rect width="{width}" height="{height}" fill="#f6f3ec"/>'
)
#: Imported nearly everywhere, or entries that nothing imports: arrows from and to them say nothing.
LEFT_OUT = {"verifex.command", "verifex.core.yaml_marks"}


def imports_between(graph: ImportGraph, ancestor: str) -> dict[str, set[str]]:
    """By child package of `ancestor` those of its siblings that it, or anything in it, imports; single files are left out."""
    rooms = {room for room in graph.find_children(ancestor) if graph.find_children(room)} - LEFT_OUT
    room_of = {module: room for room in rooms for module in {room} | graph.find_descendants(room)}
    needs: dict[str, set[str]] = {room: set() for room in rooms}
    for module, room in room_of.items():
        for imported in graph.find_modules_directly_imported_by(module):
            other = room_of.get(imported)
            if other and other != room:
                needs[room].add(other)
    return needs


def rows_of(needs: dict[str, set[str]]) -> list[list[str]]:
    """Rooms in rows, the ones that import nothing last; needs no circles. Raises ValueError where there is one."""
    depth: dict[str, int] = {}
    left = set(needs)
    while left:
        ready = {room for room in left if needs[room] <= depth.keys()}
        if not ready:
            raise ValueError(f"a circle among {', '.join(sorted(left))}")
        for room in ready:
            depth[room] = 1 + max((depth[other] for other in needs[room]), default=-1)
        left -= ready
    return [sorted(room for room in depth if depth[room] == row) for row in range(max(depth.values()), -1, -1)]


def without_detours(needs: dict[str, set[str]]) -> dict[str, set[str]]:
    """The same without arrows that follow from others: `a → c` where there are `a → b` and `b → c`."""

    def reached(room: str) -> set[str]:
        return needs[room].union(*(reached(other) for other in needs[room])) if needs[room] else set()

    return {
        room: {o for o in others if not any(o in reached(between) for between in others)}
        for room, others in needs.items()
    }


def drawn(needs: dict[str, set[str]], title: str, top: int) -> tuple[list[str], int, int]:
    """Lines of the picture of one package from `top` on, and its width and height."""
    rows = rows_of(needs)
    width = 2 * MARGIN + max(len(row) for row in rows) * (BOX_WIDTH + GAP_X) - GAP_X
    place: dict[str, tuple[float, float]] = {}
    for n, row in enumerate(rows):
        left = (width - len(row) * (BOX_WIDTH + GAP_X) + GAP_X) / 2
        for k, room in enumerate(row):
            place[room] = (left + k * (BOX_WIDTH + GAP_X), top + 34 + n * (BOX_HEIGHT + GAP_Y))
    lines = [f'<text x="{MARGIN}" y="{top + 16}" font-weight="bold">{escape(title)}</text>']
    for room, others in sorted(without_detours(needs).items()):
        x, y = place[room]
        for other in sorted(others):
            to_x, to_y = place[other]
            lines.append(
                f'<path d="M{x + BOX_WIDTH / 2:g} {y + BOX_HEIGHT:g}L{to_x + BOX_WIDTH / 2:g} {to_y - 2:g}" '
                'stroke="#6b6f78" fill="none" marker-end="url(#head)"/>'
            )
    for room, (x, y) in sorted(place.items()):
        lines.append(
            f'<rect x="{x:g}" y="{y:g}" width="{BOX_WIDTH}" height="{BOX_HEIGHT}" rx="5" fill="#fffdf8" stroke="#b4541a"/>'
            f'<text x="{x + BOX_WIDTH / 2:g}" y="{y + 20:g}" text-anchor="middle">{escape(room.rsplit(".", 1)[1])}</text>'
        )
    return lines, width, 34 + len(rows) * (BOX_HEIGHT + GAP_Y)


def picture() -> str:
    graph = build_graph("verifex")
    site, site_width, site_height = drawn(
        imports_between(graph, "verifex"), "verifex: each imports what it points to", 12
    )
    core, core_width, core_height = drawn(imports_between(graph, "verifex.core"), "verifex.core", 12 + site_height)
    head = HEAD.format(width=max(site_width, core_width), height=12 + site_height + core_height)
    return "\n".join([head, *site, *core, "</svg>"]) + "\n"


if __name__ == "__main__":
    PICTURE.write_text(picture(), "utf-8")
