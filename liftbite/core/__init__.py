"""The trade: quantities wired by name, arrangements, limits and verdicts.

In the order in which it is used:

- `units`     reads what a builder types and shows numbers in both systems
- `inputs`    the quantities a builder enters, with their range and what is assumed without them
- `choices`   the alternatives a builder picks, and the modules each one brings into the graph
- `graph`     orders quantity functions by parameter name and evaluates them
- `doc`       reads meaning, formula, units and source from a quantity's docstring
- `engine`, `demand`, `friction`, `bite`   the quantities every job shares
- `arrangements`   the quantities that depend on a choice
- `dyno`      turns a dynamometer file into a torque curve
- `ledger`    the append-only record of what was entered; undo and redo
- `seek`      asks a result backwards
- `working`   how a number came about, down to the inputs
- `sheet`     everything a job says at one moment: readings, results, verdict, chart

Imports NumPy, SciPy, Pint and the standard library. No web framework, no database, no files, no clock.
"""
