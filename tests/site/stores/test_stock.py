"""Drawers: counts, orders, and who may see them."""

from random import Random

from tests.site.stores.stores_case import StoresCase
from verifex.acts.models import Event
from verifex.stores.models import StockItem, StockMove


class StockTest(StoresCase):
    def test_two_at_two_hatches_lose_nothing_of_each_other(self):
        item = StockItem.objects.get(ohms=390)
        seen = item.count
        self.said("/api/hatch/substitute", tag="HB-05", ref="R1", value="390", reason="none left")
        answer = self.instructor.ask(f"/api/stock/{item.pk}/count", seen=seen, found=seen + 2)
        self.assertEqual(StockItem.objects.get(pk=item.pk).count, seen + 1)
        moves = StockMove.objects.filter(item=item)
        self.assertEqual(sum(move.delta for move in moves), seen + 1)
        self.said(f"/api/stock/moves/{answer.json()['move']}/undo", _=1)
        self.assertEqual(StockItem.objects.get(pk=item.pk).count, seen - 1)

    def test_fewer_than_the_list_said_is_told_and_a_count_that_others_rest_on_stays(self):
        item = StockItem.objects.get(ohms=100)
        first = self.assistant.ask(f"/api/stock/{item.pk}/count", seen=40, found=37).json()
        self.assertEqual(first["message"], "100 Ω resistor: 37; 3 fewer than the list said.")
        self.said(f"/api/stock/{item.pk}/book-in", count=100)
        self.assertIn("Something happened", self.said(f"/api/stock/moves/{first['move']}/undo", 422, _=1))
        self.assertTrue(Event.objects.filter(verb__startswith="counted 100 Ω resistor").exists())

    def test_over_any_acts_each_count_is_what_its_acts_come_to(self):
        """A few hundred acts of two people, some of them refused; made by chance, the same each time."""
        chance = Random(4)
        items = list(StockItem.objects.values_list("pk", flat=True))
        people = (self.assistant, self.instructor)
        for _ in range(250):
            item, who = chance.choice(items), chance.choice(people)
            match chance.randrange(5):
                case 0:
                    who.ask(f"/api/stock/{item}/count", seen=chance.randrange(90), found=chance.randrange(90))
                case 1:
                    who.ask(f"/api/stock/{item}/book-in", count=chance.randrange(1, 9))
                case 2:
                    who.ask(
                        "/api/hatch/replace",
                        tag="HB-08",
                        ref=chance.choice(["R1", "D1", "BZ1"]),
                        reason="x",
                        dead=False,
                    )
                case 3:
                    who.ask("/api/hatch/undo-replace", tag="HB-08")
                case 4:
                    if last := StockMove.objects.order_by("-id").first():
                        who.ask(f"/api/stock/moves/{last.pk}/undo", _=1)
        for held in StockItem.objects.prefetch_related("moves"):
            moves = list(held.moves.all())
            self.assertEqual(sum(move.delta for move in moves), held.count, held.title)
            self.assertTrue(all(move.count_after >= 0 for move in moves))

    def test_orders_say_how_many_by_when_and_why(self):
        rows = {row["title"]: row for row in self.assistant.ask("/api/stores/orders").json()}
        self.assertEqual((rows["330 Ω resistor"]["by"], rows["330 Ω resistor"]["count"]), (None, 36))
        self.assertIn("0.8 used for ten kits", rows["390 Ω resistor"]["because"])
        self.assertEqual(rows["wall display"]["supplier"], "electronics counter in town")
        self.assertIn("330 Ω resistor,36,at once", self.assistant.get("/api/stores/orders.csv").content.decode())

    def test_no_student_sees_a_drawer(self):
        for path in (
            "/api/stock",
            "/api/modules",
            "/api/faults",
            "/api/batches",
            "/api/stores/tables/kits.csv",
            "/api/stores/labels.pdf",
        ):
            self.assertEqual(self.member(1).get(path).status_code, 403, path)
