"""The trade, in rooms by topic: quantities wired by name, arrangements, limits and verdicts.

In the order in which they are used; every room's own index lists its modules:

- `errors`         what can be wrong, each a sentence a builder can act on
- `words`          names as somebody types them: without case, accents and spaces
- `tables`         tables of the trade as files: a row under its name as the object it describes
- `graph`          orders quantity functions by parameter name and evaluates them
- `units`          reads what a builder types, and shows numbers in both systems
- `quantities`     the quantities every job shares
- `arrangements`   the quantities that depend on a choice, a folder a choice
- `job`            inputs, choices, assumptions, the record of entries, and the graph that follows
- `analysis`       the whole stroke, the life of the facings, one start, a result asked backwards, tolerances
- `parts`          the shelf, and what does not fit
- `find`           the finder, and alternatives for one part
- `measure`        checks, readings and what they amount to; `measure.setup` the calculations of the set-up
- `fit`            the plan of the work as a graph of steps, what is open in it, bolts in order
- `prove`          a logger's drive read, a simulated logger, causes ranked, bedding-in
- `account`        what is true of a job now: the state of every part, what was read, what is not done
- `statements`     every kind of statement there is, and a line of a record read by its kind
- `record_words`   a line of the record as it is read: of which station and part, in a sentence
- `drawing`        the clutch in section, and how it moves
- `verdicts`       the four answers

Imports NumPy, SciPy, Pint and the standard library. No web framework, no database, no files, no clock.
"""
