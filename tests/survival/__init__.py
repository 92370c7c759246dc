"""Campaigns against the house itself: kills, floods, strangers, old databases. Short in the tests, long by a flag.

`docs/reliability.md` says how to run the long ones and what they found.
"""
