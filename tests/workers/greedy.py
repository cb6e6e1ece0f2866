"""Calls that use more than they may; a worker imports this and nothing of the site."""

import os
import signal


def spin() -> None:
    while True:
        pass


def eat() -> None:
    held = []
    while True:
        held.append(bytearray(10_000_000))


def die() -> None:
    os.kill(os.getpid(), signal.SIGKILL)
