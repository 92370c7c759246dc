"""A simulated thermometer: a kitchen by day and night, posted every few minutes, kept while nobody answers."""
