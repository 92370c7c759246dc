"""The stand-ins: the simulated scale and thermometer."""
