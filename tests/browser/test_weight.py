"""What a first view weighs: script over the wire, compressed, with nothing in the browser's cache."""

import gzip

from tests.browser.base import BrowserCase

MOST_KB = 250
MOST_KB_ON_A_PHONE = 200


class WeightTest(BrowserCase):
    def script_kb(self, username: str, path: str, **size: int) -> float:
        context = self.context(**size)
        context.add_cookies([self._session_of(username)])
        page = context.new_page()
        scripts: list[str] = []
        page.on("response", lambda r: scripts.append(r.url) if r.request.resource_type == "script" else None)
        page.goto(self.live_server_url + path)
        page.locator("h1").first.wait_for()
        page.wait_for_load_state("networkidle")
        # The tests' server sends files as they are; the real one sends them compressed.
        total = sum(len(gzip.compress(page.request.get(url).body(), 6)) for url in scripts) / 1000
        return total

    def test_the_first_view_of_any_place(self):
        docket = f"/dockets/{self.docket(2).pk}"
        for path in (
            "/floor",
            "/hatch",
            "/marks",
            "/sums",
            "/set-up/people",
            f"{docket}/kit",
            f"{docket}/wiring",
            f"{docket}/mark",
        ):
            with self.subTest(path):
                self.assertLessEqual(self.script_kb("ines.marlow", path), MOST_KB)

    def test_my_bench_on_a_phone(self):
        self.assertLessEqual(self.script_kb("leo.castell", "/my-bench", width=390, height=844), MOST_KB_ON_A_PHONE)
