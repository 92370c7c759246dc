"""One format a file; each takes what `exchange.services` found and gives bytes."""
