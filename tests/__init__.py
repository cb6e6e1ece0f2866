"""The tests. Property tests look at the same forty examples each time and are never judged by the clock."""

import os

from hypothesis import settings

settings.register_profile("calm", max_examples=40, deadline=None, derandomize=True)
settings.load_profile("calm")
#: An error of ours while a program is checked ends the test that met it.
os.environ.setdefault("VERIFEX_STRICT", "1")
