"""The trade: quantities wired by name, arrangements, limits and verdicts.

In the order in which it is used:

- `units`     reads what a builder types; `figures` shows numbers in both systems
- `inputs`    the quantities a builder enters, with their range and what is assumed without them
- `choices`, `assumes`, `materials`   the alternatives a builder picks, the modules each brings, what each assumes
- `graph`     orders quantity functions by parameter name and evaluates them
- `doc`       reads meaning, formula, units and source from a quantity's docstring
- `engine`, `bite`, `lift`, `spin`, `heat`, `wear`, `chain`   the quantities every job shares
- `arrangements`   the quantities that depend on a choice; `spring` has the disc spring they share
- `arrange`   the graph of what was picked, and what that assumes
- `dyno`, `curve`   from a dynamometer file to a torque curve
- `ledger`    the append-only record of what was entered; undo and redo
- `setup`     everything the graph is given, and the evaluation at a state
- `stroke`, `life`, `launch`   the whole stroke, the life of the facings, one start integrated
- `seek`, `tolerance`, `sweep`   a result asked backwards, under tolerances, over a shelf of parts
- `mismatch`, `balance`, `fitting`, `slab`   sums that stand beside the graph
- `working`   how a number came about, down to the inputs
- `verdict`, `verdicts`, `answers`   everything a job says at one moment

Imports NumPy, SciPy, Pint and the standard library. No web framework, no database, no files, no clock.
"""
