"""All that a baker owns, as one file, and such a file taken in: on another machine, for another account, twice."""
