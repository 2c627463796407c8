"""Measure: readings in, verdicts out."""
