"""How fast and how good: measured side by side in one run, never as a timed test."""
