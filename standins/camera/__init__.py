"""A simulated camera before a jar: draws what it would see, and posts it."""
