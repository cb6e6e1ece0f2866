import subprocess
import sys
from threading import Thread

from tests.browser.base import BrowserCase
from tests.samples import EXERCISE, PROGRAM, WIRING
from verifex.core.assess import Case
from verifex.standins.board import printed, stream
from verifex.standins.serial_port import SerialPort


class LiveReadingsTest(BrowserCase):
    def listen(self, port: SerialPort, code: str) -> subprocess.Popen[bytes]:
        return subprocess.Popen(
            [sys.executable, "-m", "verifex.command", "listen", port.path, "--to", self.live_server_url, "--code", code, "--seconds", "20"],
            stdout=subprocess.DEVNULL,
        )  # fmt: skip

    def test_a_pair_listens_to_its_board_marks_its_steps_with_a_key_and_hands_in(self):
        docket = self.docket(7)
        page = self.page_for("bela.quist", "/my-bench?station=readings")
        page.get_by_role("button", name="Write attempt 2").click()
        live = page.get_by_label("Listen to the board")
        live.get_by_role("button", name="Listen to the board").click()
        code = live.locator("code").inner_text().split("--code ")[1].split()[0]
        port = SerialPort.opened()
        self.addCleanup(port.close)
        helper = self.listen(port, code)
        self.addCleanup(helper.kill)
        lines = [row for row in printed(Case(EXERCISE, wiring=WIRING, program=PROGRAM)) if row[0] < 8000]
        page.get_by_role("button", name="Room air 1").wait_for()
        page.keyboard.press("1")
        page.get_by_label("The last lines").get_by_text("# Room air").wait_for()
        Thread(target=lambda: list(stream(port, lines, speed=20))).start()
        page.get_by_label("The last lines").get_by_text("21.29").first.wait_for()
        live.get_by_text("in limits").first.wait_for()
        page.keyboard.press("2")
        page.get_by_label("The last lines").get_by_text("# Held in the hand").wait_for()
        live.get_by_role("button", name="Stop and hand in").click()
        page.get_by_text("Attempt 2, handed in by Bela Quist").wait_for()
        text = docket.attempts.filter(kind="readings").latest("number").text
        self.assertTrue(text.startswith("# Room air\n21.29\n"), text[:60])
        self.assertIn("# Held in the hand", text)
