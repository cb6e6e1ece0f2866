"""A class of 48 in the tests' database, without judging 48 dockets: the demo's twelve, copied row by row."""

from verifex.dockets.models import Attempt, Docket, Judgement, StationState
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat, Session

COPIES = 3


def copy_class(session: Session) -> None:
    """Adds three copies of every docket of the session, with pair, members, seat, states, attempts and judgements."""
    first = list(Docket.objects.filter(session=session).values_list("pk", flat=True))
    benches = dict(Seat.objects.filter(session=session).values_list("pair", "bench"))
    for turn in range(1, COPIES + 1):
        for docket in Docket.objects.filter(pk__in=first).select_related("pair"):
            _copy(docket, turn, benches[docket.pair_id] + 12 * turn)


def _copy(docket: Docket, turn: int, bench: int) -> None:
    pair = Pair.objects.create(section=docket.pair.section, name=f"{docket.pair.name} {turn}", badge=f"X-{bench}")
    for seat in range(2):
        user = User.objects.create(username=f"copy-{bench}-{seat}", last_name=f"{bench}{seat}")
        PairMember.objects.create(pair=pair, user=user)
    Seat.objects.create(session=docket.session, pair=pair, bench=bench)
    attempts, judgements = list(docket.attempts.all()), list(docket.judgements.all())
    states = list(StationState.objects.filter(docket=docket))
    docket.pk, docket.pair = None, pair
    docket.save()
    for state in states:
        state.pk, state.docket = None, docket
    StationState.objects.bulk_create(states)
    made: dict[int, Attempt] = {}
    for attempt in attempts:
        old = attempt.pk
        attempt.pk, attempt.docket = None, docket
        attempt.save()
        made[old] = attempt
    for judgement in judgements:
        judgement.attempt = made[judgement.attempt_id]
        judgement.pk, judgement.docket = None, docket
    Judgement.objects.bulk_create(judgements)
