"""Every address of the application, each with a body that its own document says is right."""

from functools import cache
from typing import Any

from django.test import Client

from verifex.people.models import Staff
from verifex.site.api import api

KIT_OF_BENCH_1 = "HB-01"
#: Values for fields with a pattern, or which have to name something that is there.
KNOWN: dict[str, Any] = {
    "station": "wiring", "kind": "wiring", "way": "list", "act": "pause", "name": "rail", "code": "x", "tag": KIT_OF_BENCH_1,
    "badge": "P-02", "ref": "R1", "marks": "1", "value": "5", "zone": "UTC", "role": "assistant", "reason": "r",
}  # fmt: skip


@cache
def document() -> dict[str, Any]:
    return dict(api.get_openapi_schema())


def addresses() -> list[tuple[str, str]]:
    """Every (method, path) the API has."""
    found = [(method, path) for path, methods in document()["paths"].items() for method in methods]
    return [*found, ("get", "/api/sessions/{session_id}/marks.csv")]


def body_for(method: str, path: str) -> Any:
    """The least body that the address takes."""
    asked = document()["paths"].get(path, {}).get(method, {}).get("requestBody")
    return _example(asked["content"]["application/json"]["schema"]) if asked else {}


def _example(schema: dict[str, Any], name: str = "") -> Any:
    if "$ref" in schema:
        schema = document()["components"]["schemas"][schema["$ref"].rsplit("/", 1)[-1]]
    if name in KNOWN:
        return KNOWN[name]
    if "anyOf" in schema:
        return _example(schema["anyOf"][0], name)
    match schema.get("type"):
        case "object":
            return {
                key: _example(of, key)
                for key, of in schema.get("properties", {}).items()
                if key in schema.get("required", [])
            }
        case "array":
            return []
        case "integer" | "number":
            return 1
        case "boolean":
            return True
    match schema.get("format"):
        case "date":
            return "2031-03-03"
        case "time":
            return "10:00"
    return "text"


def reach(client: Client, method: str, path: str, ids: dict[str, int]) -> int:
    """The status of asking for an address, with these ids in its place-holders."""
    body = body_for(method, path)
    if "/staff/{user_id}" in path:  # of the staff, not of the students
        ids = {**ids, "user_id": Staff.objects.get(section=ids["section_id"], role="assistant").user_id}
    for name, value in ids.items():
        path = path.replace(f"{{{name}}}", str(value))
    path = path.replace("{code}", "ABCDE").replace("{name}", "divider")
    if method == "get":
        path += f"?tag={KIT_OF_BENCH_1}" if path.startswith("/api/hatch/") else ""
        return client.get(path).status_code
    answer = getattr(client, method)(path, body, content_type="application/json")
    return int(answer.status_code)
