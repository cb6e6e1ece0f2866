"""Every address of the API with made-up input, as pair, assistant and instructor: no answer may be a 500.

`python -m benchmarks.fuzz PATH-TO-SCHEMATHESIS [--examples 30]`, against a server of its own with the demo course.
"""

import argparse
import subprocess
import tempfile
from pathlib import Path

from benchmarks.load import PORT, ROOT, Client, begin_server

WHO = ("leo.castell", "tomas.reed", "ines.marlow")

MOST_OF_ERRORS = 30  # lines


def main() -> None:
    parser = argparse.ArgumentParser()
    parser.add_argument("schemathesis")
    parser.add_argument("--examples", type=int, default=30)
    arguments = parser.parse_args()
    with tempfile.TemporaryDirectory() as data:
        server = begin_server(data, times=1)
        try:
            for name in WHO:
                client = Client(name)
                cookies = "; ".join(f"{morsel.key}={morsel.value}" for morsel in client.cookies.values())
                done = subprocess.run(
                    [
                        str(Path(arguments.schemathesis).absolute()), "run", str(ROOT / "docs" / "openapi.json"),
                        "--url", f"http://127.0.0.1:{PORT}", "--checks", "not_a_server_error", "--phases", "fuzzing",
                        "--max-examples", str(arguments.examples), "--generation-database", "none", "--seed", "1", "--request-timeout", "60",
                        "--exclude-path", "/api/log-out", "--exclude-path", "/api/me/password",
                        "-H", f"Cookie: {cookies}", "-H", f"X-CSRFToken: {client.cookies['csrftoken'].value}",
                    ],
                    cwd=data, capture_output=True, text=True, check=False,
                )  # fmt: skip
                told = done.stdout.strip().splitlines()
                first = next((i for i, line in enumerate(told) if line.strip("= ") == "ERRORS"), len(told))
                print(*told[first : first + MOST_OF_ERRORS], sep="\n")  # which request had no answer
                print(f"== as {name}, exit code {done.returncode}", *told[-22:], sep="\n")
        finally:
            server.terminate()
            server.wait(20)


if __name__ == "__main__":
    main()
