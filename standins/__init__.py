"""Small simulated devices that ship with Despertar, for a kitchen without the real ones. Standard library only."""
