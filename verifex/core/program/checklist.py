"""What goes wrong at every bench before a program runs, worded for this board, this program and this wiring."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING

from verifex.core.parts import Board
from verifex.core.program.rules.view import PinUse

if TYPE_CHECKING:
    from verifex.core.program.check import ProgramReport

COMPUTER_IMPORTS = frozenset(
    [
        "time",
        "datetime",
        "math",
        "random",
        "statistics",
        "sys",
        "signal",
        "utime",
        "machine",
        "micropython",
        "gc",
        "os",
        "json",
        "struct",
    ]
)


@dataclass(frozen=True, slots=True)
class Check:
    """One thing to look at before a program runs; `needs` when what is known here says that it is not right yet."""

    text: str
    needs: bool = False

    def as_json(self) -> dict[str, object]:
        return {"text": self.text, "needs": self.needs}


def before_it_runs(
    board: Board, report: "ProgramReport | None", wired: Mapping[str, PinUse] | None = None, *, baud: int | None = None
) -> list[Check]:
    """The checklist. `report` is the program as read, None before there is one; `wired` what hangs on each pin;
    `baud` the rate the exercise asks for."""
    python = report.tree.dialect == "python" if report else board.languages[0] == "python"
    on_computer = "cpp" not in board.languages
    checks = [_reached(board, on_computer=on_computer)]
    if libraries := _libraries(report):
        checks.append(Check(f"The libraries the program names are installed: {', '.join(libraries)}."))
    if not on_computer:
        checks.append(_serial_pins(board, wired))
    if python:
        checks.append(
            Check("The program of before is stopped; two programs on the same pins quarrel.")
            if on_computer
            else Check("The board runs its Python; a program saved as main.py runs again at every start.")
        )
    if not on_computer:
        checks.append(_log(report, baud or board.usual_baud))
    return checks


def _reached(board: Board, *, on_computer: bool) -> Check:
    if on_computer:
        return Check("The program is saved on the single-board computer itself, and you are logged in there.")
    return Check(
        f"The right board ({board.title}) and port are chosen. Unplug the board: the port that vanishes is the one."
    )


def _libraries(report: "ProgramReport | None") -> list[str]:
    if report is None:
        return []
    if report.tree.dialect == "python":
        return [name for name in report.tree.imported() if name.split(".")[0] not in COMPUTER_IMPORTS]
    return report.tree.libraries


def _serial_pins(board: Board, wired: Mapping[str, PinUse] | None) -> Check:
    pins = " and ".join(board.pins.serial)
    used = [f"{', '.join(wired[pin].parts)} on {pin}" for pin in board.pins.serial if pin in wired] if wired else []
    if used:
        return Check(f"Pull the leads off while uploading: {'; '.join(used)}. Uploading goes through {pins}.", True)
    return Check(f"Nothing is wired to {pins} while uploading.")


def _log(report: "ProgramReport | None", baud: int) -> Check:
    own = next((run.baud for run in report.runs if run.baud), None) if report else None
    if own and own != baud:
        return Check(f"The log is opened at {own} baud: that is what the program begins with; asked is {baud}.", True)
    return Check(f"The log is opened at {own or baud} baud, the rate of the program.")
