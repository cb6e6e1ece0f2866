"""What a meter reads at places of a bench: expected from the solved circuit, wrong places refused."""

from unittest import TestCase

from tests.samples import EXERCISE as PLAIN
from tests.samples import WIRING
from verifex.core.assess import Case, assess_station
from verifex.core.assess.records import MeasurableRecord, SheetsRecord
from verifex.core.exercise.probes import Probe
from verifex.core.expected import Measured

EXERCISE = PLAIN.model_copy(
    update={"measure": [Probe(volts="U1.out"), Probe(volts="U1.out", step="Warm pack"), Probe(amps="D1")]}
)


def probes(wiring: str = WIRING) -> dict[str, MeasurableRecord]:
    record = assess_station(Case(EXERCISE, wiring=wiring, measured=Measured(rail_volts=5.0)), "sheets")
    assert isinstance(record, SheetsRecord)
    return {m.label: m for m in record.measurables if m.name.startswith("probe:")}


class ProbesTest(TestCase):
    def test_volts_follow_the_step_and_current_the_resistor(self):
        found = list(probes().values())
        volts, current = found[0].should, found[-1].should
        assert volts and current
        self.assertTrue(volts[0] < 0.715 < volts[2], volts)  # 500 mV + 10 mV a degree at 21.5 °C
        self.assertTrue(current[0] < 8.7 < current[2], current)  # (5 V − 2 V) / 330 Ω, and the pin's own ohms
        half = probes(WIRING.replace("value=330", "value=680"))
        weaker = list(half.values())[-1].should
        assert weaker
        self.assertLess(weaker[2], current[0])

    def test_what_a_meter_read_is_kept_apart_from_what_a_sheet_follows(self):
        named = {"rail": 4.9, "probe:U1.out": 0.71, "R1": 331.0}
        measured = Measured.named(named)
        self.assertEqual((measured.probes, measured.values), ({"U1.out": 0.71}, {"R1": 331.0}))
        self.assertEqual(measured.as_named(), named)
