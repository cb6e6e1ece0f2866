"""The tests. Property tests look at forty examples a time and are never judged by the clock."""

from hypothesis import settings

settings.register_profile("calm", max_examples=40, deadline=None)
settings.load_profile("calm")
