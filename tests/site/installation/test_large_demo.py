"""The demo for a large class, with a pair whose marking is closed: its copy hands in the same log."""

from pathlib import Path

import yaml
from django.test import TestCase

from verifex.demo.large import several_times
from verifex.demo.loader import load_course
from verifex.marks.models import ClosedMark

FOLDER = Path(__file__).parents[3] / "demo"


def is_closed(pair: dict[str, list[dict[str, object]]]) -> bool:
    return any("close" in act for act in pair.get("acts", []))


class LargeDemoTest(TestCase):
    def test_a_copy_of_a_closed_docket_is_closed_with_a_decision(self):
        course, stores = (yaml.safe_load((FOLDER / f"{name}.yaml").read_text("utf-8")) for name in ("course", "stores"))
        closed = [pair for pair in course["pairs"] if is_closed(pair)]
        others = [{**pair, "acts": []} for pair in course["pairs"] if not is_closed(pair)][:3]
        load_course(FOLDER, several_times({**course, "pairs": closed + others}, 2), stores)
        self.assertEqual([bool(mark.second_look) for mark in ClosedMark.objects.all()], [True, True])
