"""A jar as a small mechanistic model: three populations, food, acid, gas, and walls that hold it.

Knows flours and where a culture comes from, but no log and no plan. Offers a jar, what a feed makes of it, and its run
through the hours, for one jar or for many at once.
"""
