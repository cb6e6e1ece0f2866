from django.contrib import admin

from verifex.stores.models import Kit, KitIssue, KitPart, StockResistor, Substitution

admin.site.register([Kit, KitPart, KitIssue, StockResistor, Substitution])
