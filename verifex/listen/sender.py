"""Takes lines and brings them to the server: in batches, each line once, and nothing is lost while the server cannot be reached."""

import json
import urllib.error
import urllib.request
from collections.abc import Callable
from dataclasses import dataclass, field

MOST_AT_ONCE = 400
SECONDS = 10.0


class NobodyListens(Exception):
    """The server does not take lines under this code; the text says why."""


Post = Callable[[str, bytes], tuple[int, bytes]]


def post(url: str, body: bytes) -> tuple[int, bytes]:
    """(status, answer). Raises OSError where the server cannot be reached."""
    request = urllib.request.Request(url, body, {"Content-Type": "application/json"})
    try:
        with urllib.request.urlopen(request, timeout=SECONDS) as answer:
            return answer.status, answer.read()
    except urllib.error.HTTPError as refused:
        return refused.code, refused.read()


@dataclass
class Sender:
    """`server` as typed (https://lab.example:8000), `code` from the readings station."""

    server: str
    code: str
    post: Post = post
    kept: list[str] = field(default_factory=list)
    sent: int = 0
    reached: bool = True

    def take(self, line: str) -> None:
        self.kept.append(line)

    def send(self) -> bool:
        """Send what is kept; False where the server could not be reached, and then it stays kept. Raises NobodyListens."""
        while self.kept:
            batch = self.kept[:MOST_AT_ONCE]
            body = json.dumps({"first": self.sent, "lines": batch}).encode()
            try:
                status, answer = self.post(f"{self.server.rstrip('/')}/api/live/{self.code}/lines", body)
            except OSError:
                self.reached = False
                return False
            if status >= 500:
                self.reached = False
                return False
            if status != 200:
                raise NobodyListens(_message(answer))
            self.reached = True
            self.sent += len(batch)
            del self.kept[: len(batch)]
        return True


def _message(answer: bytes) -> str:
    try:
        return str(json.loads(answer)["message"])
    except (ValueError, KeyError, TypeError):
        return "The server did not take the lines."
