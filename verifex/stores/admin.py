from django.contrib import admin

from verifex.stores.models import Kit, KitIssue, KitPart, Substitution

admin.site.register([Kit, KitPart, KitIssue, Substitution])
