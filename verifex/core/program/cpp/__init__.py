"""The C++ front end: text → syntax problems in plain words, and the tree."""

from verifex.core.program.cpp.reader import read_cpp
from verifex.core.program.cpp.syntax import syntax_problems

__all__ = ["read_cpp", "syntax_problems"]
