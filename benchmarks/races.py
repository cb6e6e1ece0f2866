"""Two people at once, two hundred times each: what only one of them can have, one of them gets, and no answer is a 500.

`python -m benchmarks.races [--rounds 200] [RACE ...]`, against a server of its own with the demo course.
"""

import argparse
import base64
import io
import json
import tempfile
import threading
import zipfile
from collections import Counter
from collections.abc import Callable
from typing import Any

from benchmarks.load import HAND_INS, Client, begin_server

Answer = tuple[int, Any]


class Lab:
    """The people of the demo, and where they meet."""

    def __init__(self) -> None:
        self.instructors = [Client("ines.marlow"), Client("ines.marlow")]
        self.assistants = [Client("tomas.reed"), Client("tomas.reed")]
        self.members: list[Client] = []
        self.session = self.read("/api/sessions")[0]["id"]
        floor = self.read(f"/api/sessions/{self.session}/floor")
        self.dockets = {card["bench"]: card["docket"] for card in floor["benches"]}
        self.wiring = (HAND_INS / "one-half.bench").read_text("utf-8")

    def docket(self, bench: int) -> dict[str, Any]:
        answer: dict[str, Any] = self.read(f"/api/dockets/{self.dockets[bench]}")
        return answer

    def read(self, path: str) -> Any:
        self.instructors[0].tags.clear()  # whole, also where nothing changed
        return json.loads(self.instructors[0].call("GET", path)[1])


def both(first: Callable[[], Answer], second: Callable[[], Answer]) -> list[int]:
    """What the two were answered, begun at one moment."""
    line, codes = threading.Barrier(2), [0, 0]

    def do(place: int, act: Callable[[], Answer]) -> None:
        line.wait()
        codes[place] = act()[0]

    threads = [threading.Thread(target=do, args=one) for one in enumerate((first, second))]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    return codes


def two_phones(lab: Lab, turn: int) -> bool:
    """Both members of a pair hand in a wiring that follows the same attempt: one is kept, the other is informed of it."""
    pair = _members(lab)
    before = lab.docket(8)["wiring"]["number"]
    path = f"/api/my/dockets/{lab.dockets[8]}/hand-in"
    body = {"kind": "wiring", "based_on_attempt": before}

    def hand_in(place: int) -> Answer:
        return pair[place].call(
            "POST", path, {**body, "text": f"{lab.wiring}# {turn} {place}\n", "token": f"{turn}-{place}"}
        )

    codes = both(lambda: hand_in(0), lambda: hand_in(1))
    return sorted(codes) == [200, 409] and lab.docket(8)["wiring"]["number"] == before + 1


def one_phone_twice(lab: Lab, turn: int) -> bool:
    """The same hand-in sent twice, as a phone with a bad connection does: kept once, and both are answered with it."""
    pair = _members(lab)
    before = lab.docket(8)["wiring"]["number"]
    path = f"/api/my/dockets/{lab.dockets[8]}/hand-in"
    body = {
        "kind": "wiring",
        "based_on_attempt": before,
        "text": f"{lab.wiring}# twice {turn}\n",
        "token": f"twice-{turn}",
    }
    codes = both(*(lambda client=client: client.call("POST", path, body) for client in pair))
    return codes == [200, 200] and lab.docket(8)["wiring"]["number"] == before + 1


def two_hatches(lab: Lab, turn: int) -> bool:
    """One kit handed out to two pairs at once: one has it."""
    if not turn:
        for tag in ("HB-11", "HB-12"):
            lab.assistants[0].call("POST", "/api/hatch/take-back", {"tag": tag})
    body = {"session": lab.session, "tag": "HB-15"}
    codes = both(
        *(
            lambda client=client, badge=badge: client.call("POST", "/api/hatch/hand-out", {**body, "badge": badge})
            for client, badge in zip(lab.assistants, ("P-11", "P-12"), strict=True)
        )
    )
    back = lab.assistants[0].call("POST", "/api/hatch/take-back", {"tag": "HB-15"})[0]
    lab.assistants[0].call("POST", "/api/hatch/put-right", {"tag": "HB-15"})
    return codes.count(200) == 1 and set(codes) <= {200, 409, 422} and back == 200


def two_instructors(lab: Lab, turn: int) -> bool:
    """One passes a station that the other sends back: one act counts, the other is told what happened."""
    docket = lab.docket(7)
    path = f"/api/dockets/{lab.dockets[7]}"
    body = {"station": "program", "based_on": docket["revision"], "reason": "Look again."}
    codes = both(
        lambda: lab.instructors[0].call("POST", f"{path}/reopen", body),
        lambda: lab.instructors[1].call("POST", f"{path}/reopen", body),
    )
    revision = lab.docket(7)["revision"]
    passed = lab.instructors[0].call(
        "POST", f"{path}/pass", {"station": "program", "based_on": revision, "overrule_reason": "It ran at the bench."}
    )[0]
    return sorted(codes) == [200, 409] and passed == 200


def closing_and_hand_in(lab: Lab, turn: int) -> bool:
    """Closing the marking while the pair hands in: never a closed marking with a program that came after it."""
    path = f"/api/dockets/{lab.dockets[10]}"
    lab.instructors[0].call("POST", f"{path}/reopen-marking", {"station": "mark", "reason": "Once more."})
    docket = lab.docket(10)
    body = {
        "kind": "program", "text": (HAND_INS / "sound-a.cpp").read_text("utf-8") + f"// {turn}\n", "token": f"closing-{turn}",
        "based_on_attempt": docket["program"]["number"],
    }  # fmt: skip
    codes = both(
        lambda: lab.instructors[0].call(
            "POST", f"{path}/close-marking", {"second_look": "Seen.", "based_on": docket["revision"]}
        ),
        lambda: lab.instructors[1].call("POST", f"{path}/hand-in", body),
    )
    return codes.count(200) == 1 and set(codes) <= {200, 409, 422}


def two_imports(lab: Lab, turn: int) -> bool:
    """One course file sent twice at once: it is there once, the other is asked whether a second one is wanted."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr(
            "course.yaml", f"format: 1\ntitle: Course of round {turn}\nzone: UTC\nsections: [{{name: A}}]\n"
        )
    body = {"data": base64.b64encode(out.getvalue()).decode()}
    codes = both(*(lambda client=client: client.call("POST", "/api/set-up/import", body) for client in lab.instructors))
    titles = [row["title"] for row in lab.read("/api/set-up/courses")]
    return codes.count(200) == 1 and titles.count(f"Course of round {turn}") == 1


RACES = (two_phones, one_phone_twice, two_hatches, two_instructors, closing_and_hand_in, two_imports)


def _members(lab: Lab) -> list[Client]:
    if not lab.members:
        names = [row["name"] for row in lab.docket(8)["members"]]
        lab.members = [Client(name.lower().replace(" ", ".")) for name in names]
    return lab.members


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("races", nargs="*", default=[race.__name__ for race in RACES])
    parser.add_argument("--rounds", type=int, default=200)
    arguments = parser.parse_args()
    with tempfile.TemporaryDirectory() as data:
        server = begin_server(data, times=1)
        try:
            lab = Lab()
            for race in RACES:
                if race.__name__ in arguments.races:
                    held = Counter(race(lab, turn) for turn in range(arguments.rounds))
                    print(f"{race.__name__:22} {arguments.rounds} rounds, {held[False]} came out otherwise", flush=True)
        finally:
            server.terminate()
            server.wait(20)


if __name__ == "__main__":
    main()
