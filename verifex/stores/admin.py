from verifex.acts.read_only_admin import show_only
from verifex.stores.models import Kit, KitIssue, KitPart, StockResistor, Substitution

show_only(Kit, KitIssue, KitPart, StockResistor, Substitution)
