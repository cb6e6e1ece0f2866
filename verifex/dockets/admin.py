from verifex.acts.read_only_admin import show_only
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

show_only(Attempt, BenchSheets, Clearance, Decision, Docket, Judgement, Measurement, SharedReadings, StationState)
