"""The rules of raising a sourdough starter, as pure functions: no files, no clock, no chance, no interface.

`doors.assessment.assess(setup, log, now)` is the front door.
What it answers is codes and facts; the words are the interface's.
"""
