"""The Python front end: text → syntax problems in plain words, and the tree."""

from verifex.core.program.python.reader import read_python
from verifex.core.program.python.syntax import python_problems

__all__ = ["python_problems", "read_python"]
