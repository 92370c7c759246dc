"""A simulated kitchen scale: put things on it, pour, let it drift, pull its plug. It speaks as a real one's bridge."""
