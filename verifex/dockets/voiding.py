"""What voids a clearance: new wiring, another kit, a kit that is back, a program that makes a Stop."""

from verifex.acts import clock
from verifex.dockets.models import Docket, State, Station
from verifex.dockets.stations import set_state, state_of

#: What a pair is shown of it. Why in full is for the staff: it may name the fault.
TOLD_OF_A_PROGRAM = "the program as handed in is not safe on this wiring"


def void_clearance(docket: Docket, reason: str, *, by_program: bool = False) -> bool:
    """Void the standing clearance, if there is one, and say why; returns whether there was one."""
    clearance = docket.clearances.filter(voided_at__isnull=True).first()
    if clearance is None:
        return False
    clearance.voided_at, clearance.void_reason = clock.now(), reason[:200]
    clearance.void_told = TOLD_OF_A_PROGRAM if by_program else reason[:200]
    clearance.save()
    if state_of(docket, Station.POWER) is not None:
        set_state(docket, Station.POWER, State.VOIDED)
    return True
