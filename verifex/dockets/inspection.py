"""What a kit that comes back has been through at its bench, and what must be tested of it therefore."""

from verifex.core.assess import WiringRecord
from verifex.core.hand_ins import HandIn
from verifex.core.parts import catalogue
from verifex.core.planning import Happened, Look, inspection_list
from verifex.dockets.models import Docket, Judgement
from verifex.people.times import local
from verifex.plan.models import Seat
from verifex.stores.models import KitIssue


def inspection_of(docket: Docket, issue: KitIssue) -> list[Look]:
    """From the wirings that power was cleared for while the pair had this kit."""
    board, happened = "", []
    seat = Seat.objects.filter(session=docket.session_id, pair=docket.pair_id).values_list("bench", flat=True).first()
    for clearance in docket.clearances.filter(kit_issue=issue).order_by("at"):
        judgement = Judgement.objects.filter(attempt=clearance.wiring_id, kind=HandIn.WIRING).order_by("-id").first()
        if judgement is None:
            continue
        record = judgement.typed(WiringRecord)
        board = record.board or board
        where = f"on bench {seat} " if seat else ""
        said = f"{where}at {local(clearance.at, docket.session.section.course):%H:%M}"
        for found in record.findings:
            refs = tuple(record.roles.get(ref, ref) for ref in found.where.parts)
            pin = next((place.split(".")[1] for place in found.where.places if place.startswith("B1.")), "")
            happened.append(Happened(found.rule, refs, True, said, pin))
    exercise = docket.version.file
    return inspection_list(exercise, catalogue().boards[board or exercise.board], happened)
