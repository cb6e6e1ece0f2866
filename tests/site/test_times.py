"""Times that are not on paper: by the clock of the course, wherever the server is."""

import csv
import io
from datetime import datetime
from zoneinfo import ZoneInfo

from tests.site.stores.stores_case import StoresCase
from verifex.dockets.inspection import inspection_of
from verifex.dockets.models import Judgement
from verifex.people.models import Course

EAST = "Pacific/Kiritimati"  # 14 hours before UTC: most days it is another day there


class CourseClockTest(StoresCase):
    def setUp(self):
        super().setUp()
        Course.objects.update(zone=EAST)

    def table(self, path: str) -> list[dict[str, str]]:
        return list(csv.DictReader(io.StringIO(self.instructor.get(path).content.decode("utf-8-sig"))))

    def test_tables_have_the_times_of_the_course(self):
        course = self.session.section.course_id
        events = self.instructor.get(f"/api/set-up/courses/{course}/events").json()["events"]
        row = self.table(f"/api/set-up/courses/{course}/events.csv")[0]
        self.assertEqual(row[f"when ({EAST})"], self.east(events[0]["at"], "%Y-%m-%d %H:%M:%S"))
        starts = self.instructor.get("/api/stores/coming").json()[0]["starts_at"]
        self.assertEqual(self.table("/api/stores/coming.csv")[0]["Starts"], self.east(starts, "%Y-%m-%d %H:%M"))
        opened = self.instructor.get("/api/faults").json()[0]["opened_at"]
        self.assertEqual(self.table("/api/stores/tables/faults.csv")[0]["Opened"], self.east(opened, "%Y-%m-%d %H:%M"))

    def test_what_a_kit_went_through_names_the_time_of_the_course(self):
        docket = self.docket(7)
        clearance = docket.clearances.earliest("at")
        judgement = clearance.wiring.judgements.latest("id")
        records = Judgement.objects.filter(kind="wiring").values_list("record", flat=True)
        finding = next(finding for record in records for finding in record["findings"])
        short = {**finding, "rule": "led-no-series-resistor", "where": {**finding["where"], "parts": ["D1"]}}
        Judgement.objects.filter(pk=judgement.pk).update(record={**judgement.record, "findings": [short]})
        looks = inspection_of(docket, clearance.kit_issue)
        at = clearance.at.astimezone(ZoneInfo(EAST))
        self.assertIn(f"on bench 7 at {at:%H:%M}", " ".join(look.because for look in looks))

    def east(self, at: str, pattern: str) -> str:
        return datetime.fromisoformat(at).astimezone(ZoneInfo(EAST)).strftime(pattern)
