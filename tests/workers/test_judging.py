"""Judging beside the write: in worker processes with limits of the kernel, taken up again after a crash."""

import base64
import io
import os
import signal
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
from contextlib import closing
from datetime import timedelta
from pathlib import Path

from django.db import connection
from django.test import TransactionTestCase, override_settings
from openpyxl import Workbook
from PIL import Image

from tests.samples import DEMO, WIRING, hand_in
from tests.workers.greedy import die, eat, spin
from verifex.acts import clock
from verifex.acts.refusals import Refused
from verifex.demo.loader import load
from verifex.dockets import judging, services
from verifex.dockets.models import Docket, Judgement
from verifex.stores.services.photos import small_jpeg
from verifex.work import newest, pool, queue
from verifex.work.files import rows_of
from verifex.work.models import Queued
from verifex.work.pool import Limit, OverLimit, compute

JUDGED = (
    "select count(*) from dockets_judgement j join dockets_attempt a on a.id = j.attempt_id "
    "where a.docket_id = ? and a.kind = 'program' and a.number = 2"
)
PYTHON_BENCH = "board B1 sbc-3v3\nbase half\npart D1 led anode=c10 cathode=c11 colour=red\n"
#: Programs that kept one process busy for minutes, or ate its memory.
GREEDY = {
    "rfind": 's="a"*200000\np="a"+"b"+"a"*99998\nwhile True:\n    s.rfind(p)\n',
    "insert": "L=[]\nwhile True:\n    L.insert(0, 1)\n",
    "strip": 's=" "*200000\nwhile True:\n    s.strip(" "*1000)\n',
    "deleting": "L=list(range(150000))\nwhile L:\n    del L[0]\n",
    "encoding": 'L=[]\ns="a"*200000\nwhile True:\n    L.append(s.encode())\n',
    "copies": "d={}\nfor i in range(50000):\n    d[i]=i\nL=[]\nwhile True:\n    L.append(d.copy())\n",
}
GREEDY_CPP = {
    "an infinite pin": "void setup(){digitalWrite(1e400, HIGH);}\nvoid loop(){}\n",
    "a nest of structs": "".join(f"struct S{n} {{ S{n - 1} a[9]; }};\n" if n else "struct S0 { int a[9]; };\n" for n in range(40)) + "S39 s;\nvoid setup(){}\nvoid loop(){}\n",
    "stars": "int a = " + "*" * 60_000 + "b;\nvoid setup(){}\nvoid loop(){}\n",
}  # fmt: skip
GREEDY_BENCHES = {
    "wires": "board B1 mcu-5v\nbase full\n" + "wire a1 a2\n" * 5000,
    "flying resistors": "board B1 mcu-5v\nbase none\n"
    + "".join(
        f"part R{n} resistor {'B1.5V' if n == 1 else f'R{n - 1}.2'} R{n + 1}.1 value=1k\n" for n in range(1, 900)
    ),
}


@override_settings(CHECKS_IN_WORKERS=True)
class LimitsTest(TransactionTestCase):
    @classmethod
    def tearDownClass(cls):
        pool.stop()
        super().tearDownClass()

    def test_time_and_memory_end_a_call_and_the_next_one_is_answered(self):
        for greedy, reason in ((spin, "time"), (eat, "memory")):
            with self.assertRaises(OverLimit) as over:
                compute(greedy, limit=Limit(1, 200_000_000))
            self.assertEqual(over.exception.reason, reason)
            self.assertNotEqual(compute(os.getpid, limit=Limit(5)), os.getpid())

    def test_a_file_that_is_huge_inside_costs_one_worker_and_is_refused_in_words(self):
        book, out, picture = Workbook(), io.BytesIO(), io.BytesIO()
        book.active["A1"], book.active["XFD1048576"] = "Name", "x"
        book.save(out)
        Image.new("L", (1, 60_000)).save(picture, "PNG")
        for begun in (
            lambda: rows_of(base64.b64encode(out.getvalue()).decode()),
            lambda: small_jpeg(base64.b64encode(picture.getvalue()).decode()),
        ):
            with self.assertRaises(Refused):
                begun()
        self.assertEqual(rows_of(base64.b64encode(b"Name\nMira Kessler\n").decode()), [["Name"], ["Mira Kessler"]])

    def test_a_call_whose_worker_keeps_dying_ends_in_words(self):
        with self.assertLogs("verifex.work.pool", "WARNING"), self.assertRaises(OverLimit) as over:
            compute(die, limit=Limit(5))
        self.assertEqual(over.exception.reason, "failed")

    def test_a_newer_live_check_takes_an_older_ones_place(self):
        outcomes: list[str] = []

        def older() -> None:
            try:
                pool.compute_live("editor", time.sleep, 5)
            except pool.Superseded:
                outcomes.append("superseded")

        pool.warm_up("live")
        thread = threading.Thread(target=older)
        thread.start()
        while "editor" not in pool._live:
            time.sleep(0.01)
        self.assertIsInstance(pool.compute_live("editor", os.getpid), int)
        thread.join(10)
        self.assertEqual(outcomes, ["superseded"])

    def test_a_newer_live_check_in_another_process_does_so_too(self):
        outcomes: list[str] = []

        def older() -> None:
            try:
                pool.compute_live("editor", time.sleep, 20)
            except pool.Superseded:
                outcomes.append("superseded")
            finally:
                connection.close()

        pool.warm_up("live")
        thread = threading.Thread(target=older)
        thread.start()
        while "editor" not in pool._live:
            time.sleep(0.01)
        newest.claim("editor")  # as another process does: all it shares with this one is the database
        thread.join(5)
        self.assertEqual(outcomes, ["superseded"])


@override_settings(CHECKS_IN_WORKERS=True)
class HostileHandInsTest(TransactionTestCase):
    """Whatever is handed in, the answer comes at once, and the judgement within the limits, as a finding."""

    def setUp(self):
        self.session = load(DEMO, password="a demo pass phrase").session
        self.docket = Docket.objects.get(pair__seat__bench=8, session=self.session)
        self.member = self.docket.pair.members.earliest("id").user

    @classmethod
    def tearDownClass(cls):
        pool.stop()
        super().tearDownClass()

    def hand_in(self, kind: str, text: str) -> Judgement:
        seen = self.docket.attempts.filter(kind=kind).count()
        attempt = services.hand_in(
            self.member, self.docket.pk, kind, text, token=f"{kind}-{seen}", based_on_attempt=seen
        )
        queue.work_through()
        return attempt.judgements.latest("id")

    def test_programs_and_benches_that_held_the_server_are_findings_within_seconds(self):
        self.hand_in("wiring", PYTHON_BENCH)
        for name, text in GREEDY.items():
            judgement = self.hand_in("program", text)
            self.assertTrue(judgement.record["findings"], name)
        for name, text in GREEDY_BENCHES.items():
            self.assertTrue(self.hand_in("wiring", text).record["findings"], name)
        self.hand_in("wiring", WIRING)
        for name, text in GREEDY_CPP.items():
            self.assertTrue(self.hand_in("program", text).record["findings"], name)
        self.docket.refresh_from_db()
        self.assertIsNone(self.docket.judging_since)


@override_settings(CHECKS_IN_WORKERS=True)
class CrashTest(TransactionTestCase):
    @classmethod
    def tearDownClass(cls):
        pool.stop()
        super().tearDownClass()

    def setUp(self):
        self.session = load(DEMO, password="a demo pass phrase").session
        self.docket = Docket.objects.get(pair__seat__bench=8, session=self.session)
        member = self.docket.pair.members.earliest("id").user
        services.hand_in(member, self.docket.pk, "program", hand_in("sound-a.cpp"), token="t", based_on_attempt=1)
        self.docket.refresh_from_db()

    def test_a_hand_in_is_kept_before_it_is_judged(self):
        self.assertIsNotNone(self.docket.judging_since)
        self.assertEqual(Queued.objects.filter(kind="judge", key=self.docket.pk).count(), 1)
        self.assertFalse(self.docket.attempts.get(kind="program", number=2).judgements.exists())

    def test_the_runner_judges_although_it_never_answered_a_request(self):
        with tempfile.TemporaryDirectory() as data:
            file = Path(data) / "verifex.sqlite3"
            connection.cursor().execute("VACUUM INTO %s", [str(file)])
            environment = {**os.environ, "VERIFEX_DATA": data, "DJANGO_SETTINGS_MODULE": "verifex.site.settings"}
            runner = subprocess.Popen([sys.executable, "-m", "verifex.work.runner"], env=environment)
            self.addCleanup(runner.wait, 20)
            self.addCleanup(runner.terminate)
            judged, until = 0, time.monotonic() + 60
            while not judged and time.monotonic() < until:
                time.sleep(0.2)
                with closing(sqlite3.connect(file)) as database:
                    judged = database.execute(JUDGED, [self.docket.pk]).fetchone()[0]
        self.assertEqual(judged, 1)

    def test_what_a_process_had_taken_that_is_gone_is_taken_up_again(self):
        soon = clock.now() + timedelta(minutes=1)
        Queued.objects.update(owner="another run", leased_until=soon)  # whatever its process number was
        queue.work_through()
        self.assertEqual(Queued.objects.count(), 1, "it is another run's for as long as that renews its lease")
        Queued.objects.update(leased_until=clock.now() - timedelta(seconds=1))
        queue.work_through()
        self.assertTrue(self.docket.attempts.get(kind="program", number=2).judgements.exists())
        self.assertEqual(Queued.objects.count(), 0)

    def test_workers_killed_again_and_again_lose_no_judgement(self):
        ended = threading.Event()

        def kill() -> None:
            killed = 0
            while killed < 2 and not ended.wait(0.02):
                for pid in pool.worker_ids()[:1]:
                    os.kill(pid, signal.SIGKILL)
                    killed += 1
            connection.close()

        thread = threading.Thread(target=kill)
        thread.start()
        queue.work_through()
        ended.set()
        thread.join(10)
        judgement = self.docket.attempts.get(kind="program", number=2).judgements.latest("id")
        self.assertEqual(judgement.record["findings"], [])

    def test_a_judgement_of_what_has_moved_on_meanwhile_is_not_kept(self):
        judged = judging._judge(self.docket.pk, "program")
        member = self.docket.pair.members.earliest("id").user
        services.hand_in(member, self.docket.pk, "program", "void setup(){}\n", token="newer", based_on_attempt=2)
        self.assertFalse(judging.keep(self.docket.pk, judged))

    def test_nothing_is_judged_twice_with_the_same(self):
        queue.work_through()
        before = Judgement.objects.count()
        judging.judge_docket(self.docket.pk)
        self.assertEqual(Judgement.objects.count(), before)

    def test_work_on_a_docket_that_is_removed_meanwhile_is_done(self):
        queue.put(judging.JUDGE, gone := self.docket.pk + 1000)
        with self.assertNoLogs("verifex", "ERROR"):
            for _ in range(queue.MOST_TRIES):
                queue.work_through()
        self.assertFalse(Queued.objects.filter(key=gone).exists())
