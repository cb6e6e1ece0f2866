from verifex.dockets.models import (
    Attempt,
    BenchSheets,
    Clearance,
    Decision,
    Docket,
    Judgement,
    Measurement,
    SharedReadings,
    StationState,
)
from verifex.people.read_only_admin import show_only

show_only(Attempt, BenchSheets, Clearance, Decision, Docket, Judgement, Measurement, SharedReadings, StationState)
