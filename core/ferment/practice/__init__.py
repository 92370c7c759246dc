"""Practice: situations to be lived through on a simulated jar, and judged afterwards by the same signs and verdicts as
real jars. Nothing here judges by itself."""
