"""The launcher: everything between a fresh machine and a running kitchen. Standard library only."""
