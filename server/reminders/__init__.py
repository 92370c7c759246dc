"""Reminders of due acts, and the simulated postbox that they go to in place of mail and push."""
