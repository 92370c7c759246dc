"""Out of the application: the feeds as a calendar, a sheet for the fridge door, labels for the jars."""
