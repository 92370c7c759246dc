"""No test is timed: how long an example takes says nothing on a busy machine."""

from hypothesis import HealthCheck, settings

settings.register_profile("untimed", deadline=None, suppress_health_check=[HealthCheck.too_slow])
settings.load_profile("untimed")
