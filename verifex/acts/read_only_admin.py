"""Administration pages that only show: what an app's services own is changed by them alone, with its entry in the log."""

from typing import Any

from django.contrib import admin
from django.db.models import Model


class ReadOnlyAdmin(admin.ModelAdmin):  # type: ignore[type-arg]  # not subscriptable at run time
    def has_add_permission(self, *_: Any) -> bool:
        return False

    def has_change_permission(self, *_: Any) -> bool:
        return False

    def has_delete_permission(self, *_: Any) -> bool:
        return False


def show_only(*models: type[Model]) -> None:
    """Register models whose pages only show."""
    admin.site.register(models, ReadOnlyAdmin)
