"""Faults put into the rules one at a time, and whether a test notices: `make mutants`."""
