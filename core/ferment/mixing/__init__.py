"""Flour, water and seed put together: a feed from any end, what is then in the jar, and the scale while it is weighed.

Knows the kitchen, and no log. Offers feed plans, contents with their true hydration and blend, scale walks, slips
mended, and builds back from the grams that a recipe needs.
"""
