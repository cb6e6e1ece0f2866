"""The tests. Property tests look at the same forty examples each time and are never judged by the clock."""

import os

from hypothesis import settings

from tests.profile import LONG

settings.register_profile("calm", max_examples=40, deadline=None, derandomize=True)
settings.register_profile("long", max_examples=1000, deadline=None)
settings.load_profile("long" if LONG else "calm")
#: An error of ours while a program is checked ends the test that met it.
os.environ.setdefault("VERIFEX_STRICT", "1")
