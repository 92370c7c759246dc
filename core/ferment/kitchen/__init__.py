"""What stands in a kitchen: amounts and their units, flours, jars, the baker's hours, and how warm it is.

Knows only how the core says no. Offers quantities and their conversions, blends, levels in a vessel, the hours into
which an act is fitted, and the warmth of a place at any hour.
"""
