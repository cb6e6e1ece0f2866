"""What is counted by drawer, and every act that changed a count."""

from django.db import models

from verifex.acts import clock
from verifex.people.models import User


class StockItem(models.Model):
    """One kind of counted thing: resistors by value, lights by colour, anything by its title."""

    part = models.CharField(
        max_length=40, blank=True
    )  # of the catalogue; empty for what it does not have, such as wires
    title = models.CharField(max_length=80)
    ohms = models.FloatField(default=0.0)
    colour = models.CharField(max_length=20, blank=True)
    tolerance_percent = models.FloatField(default=5.0)
    rated_watts = models.FloatField(default=0.25)
    count = models.PositiveIntegerField(default=0)
    least = models.PositiveIntegerField(default=0)
    drawer = models.CharField(max_length=40, blank=True)
    supplier = models.CharField(max_length=80, blank=True)
    lead_days = models.PositiveIntegerField(default=14)
    price = models.DecimalField(max_digits=8, decimal_places=2, null=True, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["part", "title", "ohms", "colour", "tolerance_percent", "rated_watts"], name="stock_item_once"
            ),
            models.CheckConstraint(
                condition=models.Q(ohms__gte=0) & models.Q(rated_watts__gt=0), name="stock_item_is_one"
            ),
        ]
        ordering = ["drawer", "part", "ohms", "colour", "title"]

    def __str__(self) -> str:
        return f"{self.title}, {self.count} in {self.drawer}"


class StockMove(models.Model):
    """One act on a count: `delta` is what changed, `short` what was taken beyond what was counted."""

    item = models.ForeignKey(StockItem, on_delete=models.CASCADE, related_name="moves")
    delta = models.IntegerField()
    short = models.PositiveIntegerField(default=0)
    count_after = models.PositiveIntegerField()
    why = models.CharField(max_length=12)
    note = models.CharField(max_length=200, blank=True)
    at = models.DateTimeField(default=clock.now)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        ordering = ["at", "id"]
