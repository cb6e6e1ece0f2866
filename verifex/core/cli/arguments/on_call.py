"""What a command does, imported only when it is done."""

from argparse import Namespace
from collections.abc import Callable
from importlib import import_module


def imported_on_call(module: str, name: str) -> Callable[[Namespace], int]:
    """A function of one of the command modules beside this folder, imported when it is called."""

    def act(arguments: Namespace) -> int:
        done: int = getattr(import_module(f"verifex.core.cli.{module}"), name)(arguments)
        return done

    return act
