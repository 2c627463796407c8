"""How hot the clutch is before the first start.

- `housing`   A clutch that has come to the temperature of its housing.
"""
