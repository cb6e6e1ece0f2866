from tests.browser.base import BrowserCase
from tests.demo_data import PASSWORD
from tests.samples import hand_in
from verifex.dockets import services
from verifex.people.models import Staff, User


class DecisionsTest(BrowserCase):
    def test_passing_over_a_stop_is_asked_for_and_can_be_taken_back(self):
        docket = self.docket(2)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/wiring")
        page.get_by_role("button", name="Overrule the Stop").wait_for()
        page.keyboard.press("a")
        dialog = page.get_by_role("dialog", name="A Stop is open. Pass the wiring all the same?")
        dialog.get_by_text("U1 (e9) sits at 0.00 V").wait_for()
        self.assertTrue(dialog.get_by_role("button", name="Overrule and pass").is_disabled())
        dialog.get_by_role("textbox").fill("a stand-in of mine")
        dialog.get_by_role("button", name="Overrule and pass").click()
        page.get_by_text("passed the wiring over a Stop").wait_for()
        mine = self.page_for("leo.castell", "/my-bench", width=390, height=844)
        mine.get_by_label("Stations", exact=True).get_by_role("link", name="Wiring").click()
        mine.get_by_text("although a Stop stands below").wait_for()
        page.keyboard.press("u")
        page.get_by_text("passed the wiring over a Stop").wait_for(state="detached")
        self.assertEqual(docket.stations.get(station="wiring").state, "asks")

    def test_a_decision_is_undone_from_the_next_screen(self):
        docket = self.docket(8)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        page.get_by_role("button", name="Pass the program").click()
        page.keyboard.press("n")  # at once, before the server has answered
        notice = page.get_by_role("status").filter(has_text=f"{docket.pair}: you passed the program.")
        notice.wait_for()
        page.get_by_role("button", name="Undo").last.click()
        notice.wait_for(state="detached")
        page.goto(f"{self.live_server_url}/dockets/{docket.pk}/program")
        page.get_by_role("button", name="Pass the program").wait_for()
        self.assertEqual(docket.stations.get(station="program").state, "asks")

    def test_no_undo_is_offered_of_what_a_colleague_decided_since(self):
        docket = self.docket(8)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/program")
        page.get_by_role("button", name="Pass the program").click()
        page.get_by_text("passed the program at").wait_for()
        Staff.objects.filter(user__username="tomas.reed").update(role=Staff.Role.INSTRUCTOR)
        tomas = User.objects.get(username="tomas.reed")
        services.undo(tomas, docket.pk, based_on=None)
        services.send_back(tomas, docket.pk, "program", based_on=None)
        with page.expect_response(lambda answer: answer.url.endswith(f"/api/dockets/{docket.pk}")):
            page.keyboard.press("f")
        page.get_by_role("heading", name="Round").wait_for()
        page.wait_for_timeout(500)
        self.assertEqual(page.get_by_text(f"{docket.pair}: you").count(), 0)

    def test_power_off_stands_on_every_tab_of_both_until_it_is_settled(self):
        docket = self.docket(8)
        member = docket.pair.members.earliest("id").user
        wiring = hand_in("one-half.bench") + "wire B1.D2 +L\n"
        services.hand_in(member, docket.pk, "wiring", wiring, token="w", based_on_attempt=1)
        ines = User.objects.get(username="ines.marlow")
        services.clear_power(ines, docket.pk, based_on=None, wiring_attempt=2, compared=True)
        driving = hand_in("sound-a.cpp").replace("pinMode(ledPin", "pinMode(2, OUTPUT);\n  pinMode(ledPin")
        services.hand_in(member, docket.pk, "program", driving, token="p", based_on_attempt=1)
        mine = self.page_for(member.username, "/my-bench", width=390, height=844)
        staff = self.page_for("ines.marlow", f"/dockets/{docket.pk}")
        for page, said in ((mine, "not safe on this wiring"), (staff, "D2 sinks")):
            for station in ("Wiring", "Program", "Readings"):
                page.get_by_role("link", name=station).first.click()
                page.get_by_role("alert").filter(has_text="Power off.").get_by_text(said).wait_for()
        self.assertEqual(mine.get_by_text("Nothing stands out").count(), 0)
        floor = self.page_for("ines.marlow", "/floor")
        floor.get_by_text("see that power is off").first.wait_for()

    def test_later_is_remembered_over_a_reload(self):
        page = self.page_for("ines.marlow", "/floor")
        page.get_by_role("button", name="Open bench 2").wait_for()
        page.keyboard.press("l")
        page.get_by_role("button", name="Open bench 9").wait_for()
        page.reload()
        page.get_by_role("button", name="Open bench 9").wait_for()

    def test_clean_hand_ins_are_passed_together_after_a_look_at_the_list(self):
        page = self.page_for("ines.marlow", "/floor")
        page.get_by_role("button", name="Pass 1 clean").click()
        dialog = page.get_by_role("dialog", name="Pass what has nothing to look at")
        dialog.get_by_text("Halvorsen · Idris").wait_for()
        dialog.get_by_role("button", name="Pass 1", exact=True).click()
        dialog.wait_for(state="detached")
        self.assertEqual(self.docket(1).stations.get(station="readings").state, "passed")

    def test_ones_password_is_changed_with_the_old_one(self):
        page = self.page_for("leo.castell", "/account", width=390, height=844)
        page.get_by_label("The current one").fill(PASSWORD)
        page.get_by_label("The new one, at least").fill("beside the hive")
        page.get_by_label("The new one again").fill("beside the hives")
        page.get_by_text("The two differ.").wait_for()
        page.get_by_label("The new one again").fill("beside the hive")
        page.get_by_role("button", name="Change it").click()
        page.get_by_text("Changed.").wait_for()
        self.assertTrue(User.objects.get(username="leo.castell").check_password("beside the hive"))
