"""`verifex listen PORT --to SERVER --code CODE`."""

import sys
import time
from argparse import Namespace
from typing import Any

import serial

from verifex.core.cli.unusable import CannotUse
from verifex.listen.lines import Lines
from verifex.listen.sender import NobodyListens, Sender

READ_SECONDS, SEND_SECONDS, AGAIN_SECONDS = 0.2, 0.4, 2.0


def add_commands(commands: Any) -> None:
    listen = commands.add_parser("listen", help="send what a board prints to its docket")
    listen.add_argument("port", help="the serial port, such as /dev/ttyUSB0 or COM4")
    listen.add_argument("--to", required=True, metavar="SERVER", help="the address of Verifex, as in the browser")
    listen.add_argument("--code", required=True, help="from the readings station: “Listen to the board”")
    listen.add_argument("--baud", type=int, default=9600, help="the rate the program prints at")
    listen.add_argument("--seconds", type=float, help="stop after so long; otherwise Ctrl C ends it")
    listen.set_defaults(act=listen_to)


def listen_to(arguments: Namespace) -> int:
    if not arguments.to.startswith(("http://", "https://")):
        raise CannotUse(f"--to:1:1: '{arguments.to}' is no address; http://lab:8000 or the like was expected")
    try:
        port = serial.Serial(arguments.port, arguments.baud, timeout=READ_SECONDS)
    except (serial.SerialException, ValueError, OSError) as wrong:
        raise CannotUse(f"{arguments.port}:1:1: this port cannot be opened: {_short(wrong)}") from None
    sender = Sender(arguments.to, arguments.code)
    print(f"Listening at {arguments.baud} baud. Ctrl C ends it.", file=sys.stderr)
    try:
        return _run(port, sender, arguments.seconds)
    except NobodyListens as wrong:
        raise CannotUse(f"--code:1:1: {wrong}") from None
    except KeyboardInterrupt:
        sender.send()
        return 0
    except serial.SerialException:
        sender.send()
        print("The board was unplugged. Plug it in and start again.", file=sys.stderr)
        return 1
    finally:
        port.close()


def _run(port: Any, sender: Sender, seconds: float | None) -> int:
    lines, begun = Lines(), time.monotonic()
    due = begun
    while seconds is None or time.monotonic() - begun < seconds:
        for line in lines.feed(port.read(4096)):
            print(line, flush=True)
            sender.take(line)
        if time.monotonic() >= due:
            was_reached = sender.reached
            reached = sender.send()
            due = time.monotonic() + (SEND_SECONDS if reached else AGAIN_SECONDS)
            if was_reached and not reached:
                print("The server cannot be reached; the lines are kept and sent as soon as it can.", file=sys.stderr)
    for line in lines.rest():
        sender.take(line)
    sender.send()
    return 0


def _short(wrong: Exception) -> str:
    return str(wrong).split(":")[-1].strip() or wrong.__class__.__name__
