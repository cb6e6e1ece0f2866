from tests.browser.base import BrowserCase
from tests.samples import hand_in


class PairMendsTest(BrowserCase):
    def test_a_pair_hands_in_a_fault_sees_hints_and_mends_it_on_a_phone(self):
        page = self.page_for("leo.castell", "/my-bench", width=390, height=844)
        hint = page.get_by_text("Which leg is which?")
        hint.wait_for()
        self.assertEqual(page.get_by_text("Exchange the leads").count(), 0)  # hints only
        page.get_by_role("button", name="Write attempt 3").click()
        # The table edits the statements of the text: exchange the two supply leads.
        page.get_by_label("Places, line 6").fill("+L a9")
        page.get_by_label("Places, line 6").press("Tab")
        page.get_by_text("Every circuit comes back").wait_for()  # the live check follows each lead
        page.get_by_label("Places, line 8").fill("-L a11")
        page.get_by_label("Places, line 8").press("Tab")
        page.get_by_label("Check while typing").get_by_text("Which colours would help").first.wait_for()
        page.get_by_role("button", name="Hand in attempt 3").click()
        page.get_by_text("Attempt 3, handed in by Leo Castell").wait_for()
        self.assertEqual(page.get_by_text("Which leg is which?").count(), 0)
        last = self.docket(2).attempts.filter(kind="wiring").latest("number")
        self.assertIn("wire +L a9 black", last.text)
        self.assertIn("# flat side to the ditch", last.text)  # comments and order are kept

    def test_a_draft_survives_a_reload_and_a_bad_line_is_located(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        page.get_by_role("button", name="Text", exact=True).click()
        page.locator(".cm-content[contenteditable=true]").click()
        page.keyboard.press("Control+Home")
        page.keyboard.insert_text("wir B1.A3 a2\n")
        page.get_by_label("Check while typing").get_by_text("'wir' begins no statement").wait_for()
        page.reload()
        page.get_by_text("Draft, kept in this browser").wait_for()  # open again by itself
        page.get_by_role("button", name="Text", exact=True).click()
        page.get_by_text("wir B1.A3 a2").wait_for()
        self.expected_refusals = 1
        page.get_by_role("button", name="Hand in attempt 3").click()
        page.get_by_role("alert").get_by_text("Line 1: 'wir' begins no statement").wait_for()
        page.get_by_text("wir B1.A3 a2").wait_for()  # nothing typed is lost

    def test_a_hand_in_without_a_connection_waits_and_is_sent_once_when_it_is_back(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        page.get_by_label("Places, line 6").fill("+L a9")
        page.get_by_label("Places, line 6").press("Tab")
        page.get_by_text("Draft, kept in this browser").wait_for()
        page.context.set_offline(True)
        page.get_by_role("button", name="Hand in attempt 3").click()
        page.get_by_text("will be sent when the connection is back").wait_for()
        self.assertEqual(self.docket(2).attempts.filter(kind="wiring").count(), 2)
        page.context.set_offline(False)
        page.get_by_text("Attempt 3, handed in by Leo Castell").wait_for()
        self.assertEqual(self.docket(2).attempts.filter(kind="wiring").count(), 3)
        self.console = [text for text in self.console if "ERR_INTERNET_DISCONNECTED" not in text]

    def test_an_unfinished_wiring_is_met_calmly(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        page.get_by_role("button", name="Text", exact=True).click()
        page.locator(".cm-content[contenteditable=true]").click()
        page.keyboard.press("Control+a")
        page.keyboard.insert_text("board B1 mcu-5v\nbase half\npart U1 thermo-offset e2 e3 e4\n")
        live = page.get_by_label("Check while typing")
        live.get_by_text("No warning light").wait_for()
        live.get_by_role("heading", name="Still to come").wait_for()
        self.assertEqual(live.get_by_text("Follow this lead").count(), 0)
        page.get_by_label("Parts of the recipe").locator("li", has_text="D1").get_by_text("not entered yet").wait_for()

    def test_a_file_of_the_wrong_kind_or_size_is_refused_before_it_is_read(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        field = page.locator("input[type=file]")
        field.set_input_files({"name": "photo.png", "mimeType": "image/png", "buffer": b"\x89PNG"})
        page.get_by_role("alert").get_by_text("“photo.png” is no wiring").wait_for()
        field.set_input_files({"name": "huge.bench", "mimeType": "text/plain", "buffer": b"#" * 70_000})
        page.get_by_role("alert").get_by_text("larger than 64 kB").wait_for()
        field.set_input_files(
            {"name": "mine.bench", "mimeType": "text/plain", "buffer": hand_in("tidy.bench").encode()}
        )
        page.get_by_text("Checked as it stands: nothing stands out.").wait_for()

    def test_someone_elses_hand_in_meanwhile_is_told_and_the_draft_kept(self):
        page = self.page_for("leo.castell", "/my-bench")
        page.get_by_role("button", name="Write attempt 3").click()
        page.get_by_label("Places, line 6").fill("+L a9")
        page.get_by_label("Places, line 6").press("Tab")
        from verifex.dockets import services
        from verifex.people.models import User

        services.hand_in(
            User.objects.get(username="ada.nwosu"),
            self.docket(2).pk,
            "wiring",
            hand_in("tidy.bench"),
            token="ada",
            based_on_attempt=2,
        )
        page.get_by_text("Attempt 3 was handed in after this draft was begun").wait_for()
        self.assertEqual(page.get_by_label("Places, line 6").input_value(), "+L a9")

    def test_one_pair_cannot_open_anothers_docket(self):
        other = self.docket(1)
        page = self.page_for("leo.castell", "/my-bench")
        self.expected_refusals = 1
        page.get_by_text("Which leg is which?").wait_for()
        page.goto(f"{self.live_server_url}/dockets/{other.pk}")
        page.get_by_role("heading", name="This docket cannot be shown").wait_for()
        answer = page.request.get(f"{self.live_server_url}/api/my/dockets/{other.pk}")
        self.assertEqual(answer.status, 404)
