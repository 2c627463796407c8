"""The calculation graph: quantities are functions, wired by the names of their parameters.

- `derived`     Quantities made from other quantities: turned round, taken along a state, or of another part.
- `docstring`   What a quantity says of itself: the docstring is the one place where meaning, formula, unit and source
  stand.
- `graph`       The calculation graph: functions wired by the names of their parameters.
- `guards`      Ranges that many quantities share, each returning 1, or NaN per impossible candidate, or raising.
"""
