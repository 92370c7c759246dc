"""No test of the core is timed: how long an example takes says nothing on a busy machine."""

from hypothesis import settings

settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")
