"""What tests of the stores have in common."""

from tests.site.base import DemoCase
from verifex.people.models import Pair, PairMember, User
from verifex.plan.models import Seat
from verifex.stores.models import Module


class StoresCase(DemoCase):
    def module(self, kit: str, ref: str = "U1") -> Module:
        return Module.objects.get(place__kit__tag=kit, place__ref=ref)

    def said(self, path: str, status: int = 200, **body):
        answer = self.assistant.ask(path, **body)
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()["message"]

    def newcomers(self) -> Pair:
        pair = Pair.objects.create(section=self.session.section, name="New · Comers", badge="P-13")
        PairMember.objects.create(pair=pair, user=User.objects.create(username="new.one"))
        Seat.objects.create(session=self.session, pair=pair, bench=13)
        return pair

    def hand_out(self, tag: str, badge: str = "P-13"):
        return self.assistant.ask("/api/hatch/hand-out", session=self.session.pk, tag=tag, badge=badge)
