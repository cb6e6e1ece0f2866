"""`verifex` on the command line: every computation of the core, on files."""

from verifex.core.cli.main import main

__all__ = ["main"]
