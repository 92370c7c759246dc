"""The command line: what was given, read and refused in the core's own way, and the answers as plain JSON.

The only room that reads files. Offers the answers that `__main__` prints, and a jar as a JSON document.
"""
