"""What asks somebody for an answer: a part in another course, a check that did not come to its end, readings of one's own."""

from unittest import mock

from tests.browser.base import BrowserCase
from tests.samples import hand_in
from tests.site.dockets.test_not_checked import out_of_time
from verifex.dockets import services
from verifex.people.models import Course, Invitation, Section, Staff, User


class AnswersTest(BrowserCase):
    def test_an_invitation_is_on_every_screen_until_it_is_accepted(self):
        owner = User.objects.create(username="vera.stone", first_name="Vera", last_name="Stone")
        section = Section.objects.create(
            course=Course.objects.create(title="Apiary logging", zone="UTC"), name="Evening"
        )
        tomas = User.objects.get(username="tomas.reed")
        Invitation.objects.create(section=section, user=tomas, role="assistant", by=owner)
        page = self.page_for("tomas.reed", "/floor")
        asked = page.get_by_text("Vera Stone invites you to be assistant of Apiary logging: Evening")
        asked.wait_for()
        page.goto(f"{self.live_server_url}/sums")
        asked.wait_for()
        page.get_by_role("button", name="Accept").click()
        asked.wait_for(state="detached")
        self.assertEqual(Staff.objects.get(user=tomas, section=section).role, "assistant")

    def test_a_check_that_did_not_come_to_its_end_is_done_again(self):
        docket = self.docket(5)
        member = docket.pair.members.earliest("id").user
        with mock.patch("verifex.dockets.judging.compute", out_of_time):
            services.hand_in(member, docket.pk, "wiring", hand_in("tidy.bench"), token="busy", based_on_attempt=1)
        page = self.page_for("ines.marlow", f"/dockets/{docket.pk}/wiring")
        page.get_by_role("button", name="Check again").click()
        page.get_by_role("button", name="Check again").wait_for(state="detached")
        self.assertEqual(docket.judgements.filter(kind="wiring").latest("id").summary["overrun"], "")

    def test_a_pair_sees_its_values_and_verdicts_and_not_what_should_be_printed(self):
        page = self.page_for("bela.quist", "/my-bench?station=readings", width=390, height=844)
        own = page.get_by_role("region", name="What you read")
        own.get_by_text("Room air").wait_for()
        self.assertRegex(own.inner_text(), r"\d °C\s+\S")
        own.get_by_text("What should be printed is shown once your readings are passed.").wait_for()
        self.assertEqual(page.get_by_text("should print").count(), 0)
