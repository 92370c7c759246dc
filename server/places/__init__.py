"""Where jars stand: thermometers that post how warm a place is."""
