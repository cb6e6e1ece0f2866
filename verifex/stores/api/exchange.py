"""The stores as tables: out as CSV or a spreadsheet, in with a preview."""

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Path, Router

from verifex.people.access import reader
from verifex.stores.access import require_store_staff
from verifex.stores.exchange import TABLES, Change, Table, import_rows, preview
from verifex.stores.refusals.exchange import UnknownTable
from verifex.stores.schemas.exchange import StoreChangeOut, StoreChangesOut, StoreFileIn, StoreImportIn, StoreTableOut
from verifex.stores.schemas.modules import StoreSavedOut
from verifex.tables.write import as_csv, as_xlsx
from verifex.work.files import rows_of

router = Router(tags=["stores"])
Name = Annotated[str, Path(max_length=20)]
XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"


@router.get("/stores/tables", response=list[StoreTableOut])
def list_tables(request: HttpRequest) -> list[StoreTableOut]:
    """Which tables there are, with their columns."""
    require_store_staff(reader(request))
    return [
        StoreTableOut(
            name=t.name, title=t.title, head=list(t.head), needed=list(t.head[: t.asked]), read=t.put is not None
        )
        for t in TABLES.values()
    ]


@router.get("/stores/tables/{name}.csv", include_in_schema=False)
def table_as_csv(request: HttpRequest, name: Name) -> HttpResponse:
    table = _table(request, name)
    return _file(as_csv(table.head, table.rows(reader(request))), "text/csv; charset=utf-8", f"{name}.csv")


@router.get("/stores/tables/{name}.xlsx", include_in_schema=False)
def table_as_xlsx(request: HttpRequest, name: Name) -> HttpResponse:
    table = _table(request, name)
    return _file(as_xlsx(table.title, table.head, table.rows(reader(request))), XLSX, f"{name}.xlsx")


@router.post("/stores/tables/{name}/preview", response=StoreChangesOut)
def preview_table(request: HttpRequest, name: Name, data: StoreFileIn) -> StoreChangesOut:
    """What an import would change, row by row; nothing is stored."""
    changes, digest = preview(reader(request), _table(request, name), rows_of(data.data))
    return StoreChangesOut(changes=[_change(change) for change in changes], digest=digest)


@router.post("/stores/tables/{name}/import", response=StoreSavedOut)
def import_table(request: HttpRequest, name: Name, data: StoreImportIn) -> dict[str, str]:
    """Do what the preview showed; rows that are wrong are left out."""
    done = import_rows(reader(request), _table(request, name), rows_of(data.data), data.digest)
    counts = {kind: sum(change.kind == kind for change in done) for kind in ("added", "changed", "wrong")}
    said = f"{counts['added']} added, {counts['changed']} changed"
    return {"message": said + (f", {counts['wrong']} left out." if counts["wrong"] else ".")}


def _table(request: HttpRequest, name: str) -> Table:
    require_store_staff(reader(request))
    if name not in TABLES:
        raise UnknownTable(name)
    return TABLES[name]


def _change(change: Change) -> StoreChangeOut:
    return StoreChangeOut(row=change.row, kind=change.kind, about=change.about, what=change.what)


def _file(content: str | bytes, kind: str, name: str) -> HttpResponse:
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer
