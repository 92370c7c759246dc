"""Cameras that watch a jar: their pictures, the levels read off them, and what follows of a feed."""
