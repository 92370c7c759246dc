"""The eye: how high the paste stands in a jar, read off pictures.

Pure, as the core is: pictures and where the jar stands in them go in, levels with their errors come out. It knows no
files, no server and no clock, and nothing in it is learned from anybody's pictures: each jar's paste, glass and light
are learned from its own.
"""
