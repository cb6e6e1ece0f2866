"""What is printed from a screen can be read on paper, whatever theme the screen has, and shows no button."""

from io import BytesIO

from axe_playwright_python.sync_playwright import Axe
from PIL import Image
from playwright.sync_api import Page

from tests.browser.base import BrowserCase

PAPER_WIDTH, PAPER_HEIGHT = 794, 1123  # A4 at 96 dots an inch


class PrintTest(BrowserCase):
    maxDiff = None

    def printed(self, path: str, theme: str) -> Page:
        page = self.page_for("ines.marlow", path, width=PAPER_WIDTH, height=PAPER_HEIGHT, color_scheme=theme)
        page.locator("h1, h2").first.wait_for()
        page.wait_for_load_state("networkidle")
        page.emulate_media(media="print")
        return page

    def test_its_words_have_contrast_and_nothing_can_be_pressed(self):
        seven, ten = (f"/dockets/{self.docket(bench).pk}" for bench in (7, 10))
        found = []
        for theme in ("light", "dark"):
            for path in ("/floor", "/marks", "/exercises", "/hatch?view=coming-sessions", f"{seven}/readings", f"{seven}/wiring",
                         f"{ten}/mark", f"{ten}/feedback"):  # fmt: skip
                page = self.printed(path, theme)
                results = Axe().run(page, options={"runOnly": {"type": "rule", "values": ["color-contrast"]}})
                found += [
                    f"{theme} {path}: {v['id']}: {v['nodes'][0]['html'][:120]}" for v in results.response["violations"]
                ]
                buttons = page.locator(".n-button:visible").all_text_contents()
                found += [f"{theme} {path}: the button {words.strip()}" for words in buttons]
                page.context.close()
        self.assertEqual(found, [])

    def test_a_drawing_of_the_dark_theme_is_dark_on_white(self):
        page = self.printed(f"/dockets/{self.docket(7).pk}/readings", "dark")
        drawn = Image.open(BytesIO(page.locator("x-vue-echarts").first.screenshot())).convert("L")
        axis = drawn.crop((28, 0, 49, drawn.height - 60))  # the figures at the left, and no line of the plot
        shades = [shade for shade, count in enumerate(axis.histogram()) if count]
        self.assertGreater(shades[-1], 240, "the ground is light")
        self.assertLess(shades[0], 120, "the figures are dark")
