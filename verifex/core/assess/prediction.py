"""What the pair predicted before it measured, against the sheet of its own bench."""

from verifex.core.assess.records import PredictedRecord, PredictionRecord
from verifex.core.assess.workbench import Workbench
from verifex.core.readings.prediction import judge_prediction, read_prediction


def assess_prediction(bench: Workbench) -> PredictionRecord | None:
    """Raises UnusableInput for values that cannot be."""
    case = bench.case
    if case.prediction is None:
        return None
    verdicts = judge_prediction(read_prediction(case.prediction, case.exercise), bench.built)
    return PredictionRecord(predictions=tuple(PredictedRecord.model_validate(v.as_json()) for v in verdicts))
