"""Long work as the API shows it."""

from typing import Any

from verifex.api.shape import Shape
from verifex.work.models import Work


class WorkOut(Shape):
    id: int
    kind: str
    state: str
    done: int
    total: int
    message: str
    file_name: str


def work_json(work: Work) -> dict[str, Any]:
    return {name: getattr(work, name) for name in ("id", "kind", "state", "done", "total", "message", "file_name")}
