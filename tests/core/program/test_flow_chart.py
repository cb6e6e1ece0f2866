"""The flow chart of a program: what its boxes say, how they hang together, that nothing overlaps."""

import re
from itertools import pairwise
from unittest import TestCase
from xml.etree import ElementTree

from tests.core.program.test_course_programs import PROGRAMS
from verifex.core.parts import catalogue
from verifex.core.program import check_program
from verifex.core.program.flow import Placed, dot_of, flow_charts, placed, svg_of

BOARD = catalogue().boards["mcu-5v"]
PROGRAM = """#define LAMP 8
const int SENSOR = A0;
void setup() { Serial.begin(9600); pinMode(LAMP, OUTPUT); }
void loop() {
  int count = analogRead(SENSOR);
  if (count > 512 && digitalRead(2) == HIGH) { digitalWrite(LAMP, HIGH); } else if (!count) return;
  for (int i = 0; i < 3; i++) { if (i == 2) break; Serial.println(i); }
  switch (count) { case 1: tone(4, 440); break; case 2: noTone(4); default: delay(20); }
  do { count--; } while (count > 0);
}
"""


def charts(text: str) -> list[Placed]:
    return [placed(chart) for chart in flow_charts(check_program(text, BOARD).tree)]


class FlowChartTest(TestCase):
    def test_boxes_speak_in_the_programs_own_names(self):
        said = [" / ".join(box.box.text) for box in charts(PROGRAM)[1].boxes]
        for words in (
            "count ← read SENSOR", "count over 512 and read 2 high?", "LAMP on", "not count?", "go back", "i ← 0", "i under 3?", "i equal to 2?",
            "leave the loop", "print i", "count equal to 1?", "4 sounds at 440 Hz", "4 silent", "wait 20 ms", "count over 0?", "again from the top",
        ):  # fmt: skip
            self.assertTrue(any(words in box for box in said), (words, said))

    def test_each_box_knows_its_lines(self):
        setup = charts(PROGRAM)[0].boxes
        self.assertEqual(
            [(b.box.kind, b.box.lines) for b in setup], [("terminal", (3, 3)), ("step", (3, 3)), ("terminal", (3, 3))]
        )
        loop = {" ".join(b.box.text): b.box.lines[0] for b in charts(PROGRAM)[1].boxes}
        self.assertEqual((loop["LAMP on"], loop["wait 20 ms"]), (6, 8))

    def test_boxes_never_overlap_and_stay_on_the_sheet(self):
        for name, text in {**PROGRAMS, "this one": PROGRAM}.items():
            for chart in charts(text):
                boxes = [(b.x - b.width / 2, b.y, b.x + b.width / 2, b.y + b.height) for b in chart.boxes]
                for n, (left, top, right, bottom) in enumerate(boxes):
                    self.assertTrue(left >= 0 and top >= 0 and right <= chart.width and bottom <= chart.height, name)
                    for other in boxes[n + 1 :]:
                        apart = right <= other[0] or other[2] <= left or bottom <= other[1] or other[3] <= top
                        self.assertTrue(apart, (name, chart.name))

    def test_every_way_of_the_drawing_begins_and_ends_at_something(self):
        for chart in charts(PROGRAM):
            for way in chart.ways:
                self.assertGreaterEqual(len(way.points), 2)
                for (x, y), (to_x, to_y) in pairwise(way.points):
                    self.assertTrue(x == to_x or y == to_y)  # straight down or across

    def test_svg_is_well_formed_and_dot_joins_known_boxes(self):
        tree = flow_charts(check_program(PROGRAM, BOARD).tree)
        root = ElementTree.fromstring(svg_of([placed(chart) for chart in tree]))
        self.assertIn("LAMP on", [text.text for text in root.iter("{http://www.w3.org/2000/svg}text")])
        dot = dot_of(tree)
        boxes = set(re.findall(r"(\w+) \[label=\"[^\"]*\", shape", dot))
        joined = {name for pair in re.findall(r"(\w+) -> (\w+)", dot) for name in pair}
        self.assertTrue(joined <= boxes)
        self.assertEqual(dot.count("{"), dot.count("}"))
