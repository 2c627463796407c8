"""The shelf of parts."""
