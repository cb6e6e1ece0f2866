"""`verifex`: the core's commands, and those that reach outside it: stand-ins, and listening to a board."""

from collections.abc import Sequence

from verifex.core.cli import main as core_main

OUTSIDE = {
    "standin": ("verifex.standins.command", "a simulated board, meter or badge reader"),
    "listen": ("verifex.listen.command", "send what a board prints to its docket"),
}


def main(argv: Sequence[str] | None = None) -> int:
    return core_main(argv, OUTSIDE)


if __name__ == "__main__":
    raise SystemExit(main())
