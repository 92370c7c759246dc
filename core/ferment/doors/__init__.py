"""The questions that can be asked of the core, each a pure function of (set-up, log, now).

Knows every room below; nothing below knows it. Offers `assessment.assess`, the front door, and beside it: what may
enter the log, a feed while it is weighed, the whole plan and what would be otherwise, families side by side, signs
looked up without a log, reminders.
"""
