"""Practice over the wire: each question is one call of the core, answered from what is sent. Nothing is stored, and
nothing of it enters a kitchen."""
