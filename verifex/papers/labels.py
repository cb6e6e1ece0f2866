"""Labels of kits, modules, drawers and badges, each with a 2-D code of what a scanner types."""

import io
from collections.abc import Sequence
from dataclasses import dataclass

import segno
from django.template.loader import render_to_string

from verifex.papers.label_sheets import LabelSheet
from verifex.papers.pdf import pdf_of
from verifex.papers.refusals import LabelPositionOutside, NoLabelsChosen, TooManyLabels
from verifex.people.access import courses_of
from verifex.people.models import Pair, User
from verifex.stores.models import Kit, Module, StockItem
from verifex.stores.present.modules import title_of

MOST = 400
KINDS = ("kits", "modules", "drawers", "badges")
QUIET = 2  # modules of white around a code, besides the label's own margin


@dataclass(frozen=True, slots=True)
class Label:
    """`code` is what a scanner types; `name` stands large, the other two small."""

    code: str
    name: str
    title: str
    more: str = ""


def labels_of(actor: User, kind: str, tags: Sequence[str]) -> list[Label]:
    """Labels of a kind in the order of their tags; only those of `tags` where any are named. Raises Refused."""
    found = {"kits": _kits, "modules": _modules, "drawers": _drawers, "badges": _badges}[kind](actor)
    wanted = {tag.strip().casefold() for tag in tags if tag.strip()}
    chosen = [label for label in found if not wanted or label.code.casefold() in wanted]
    if not chosen:
        raise NoLabelsChosen()
    if len(chosen) > MOST:
        raise TooManyLabels(len(chosen), MOST)
    return chosen


def _kits(actor: User) -> list[Label]:
    kits = Kit.objects.filter(exercise__course__in=courses_of(actor)).select_related("exercise").order_by("tag")
    return [Label(kit.tag, kit.tag, kit.exercise.title) for kit in kits]


def _modules(actor: User) -> list[Label]:
    modules = Module.objects.filter(retired_at=None).select_related("batch").order_by("tag")
    return [Label(m.tag, m.tag, title_of(m.part), m.batch.leg_order if m.batch else "") for m in modules]


def _drawers(actor: User) -> list[Label]:
    """One a drawer, with all that lies in it."""
    held: dict[str, list[str]] = {}
    for item in StockItem.objects.exclude(drawer="").order_by("drawer", "part", "ohms", "colour", "title"):
        held.setdefault(item.drawer, []).append(item.title)
    return [Label(drawer, drawer, ", ".join(titles)) for drawer, titles in held.items()]


def _badges(actor: User) -> list[Label]:
    pairs = Pair.objects.filter(section__course__in=courses_of(actor), archived_at=None).select_related("section")
    return [Label(p.badge, p.badge, p.name, p.section.name) for p in pairs.order_by("section", "badge")]


def labels_pdf(labels: Sequence[Label], sheet: LabelSheet, *, first: int) -> bytes:
    """The labels on sheets of this size, from label number `first` (from 1) on: a sheet that was begun is used up."""
    if not 1 <= first <= sheet.count:
        raise LabelPositionOutside(sheet.count)
    pages: dict[int, list[dict[str, object]]] = {}
    for number, label in enumerate(labels, start=first - 1):
        page, left, top = sheet.place(number)
        pages.setdefault(page, []).append({"left": left, "top": top, "label": label, "code": code_svg(label.code)})
    small = sheet.height_mm < 24
    context = {"sheet": sheet, "pages": [pages[page] for page in sorted(pages)], "small": small}
    return pdf_of(render_to_string("papers/labels.html", context))


def code_svg(text: str) -> str:
    """The 2-D code as a piece of SVG that fills its box."""
    out = io.BytesIO()
    code = segno.make(text, error="m", micro=False)
    code.save(out, kind="svg", xmldecl=False, svgns=True, border=QUIET, omitsize=True, dark="#000000")
    return out.getvalue().decode()
