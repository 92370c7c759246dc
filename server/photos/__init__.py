"""Photos of jars: made anew on the way in, served to those who keep the jar alone."""
