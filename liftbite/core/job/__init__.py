"""A job: what is entered, picked and assumed, and the graph that follows.

- `alternatives`   What a builder picks, a file a topic, in the order of work.
- `arrangement`    From what was picked to the graph of quantities and the assumptions that follow.
- `assumptions`    What stands in for figures nobody entered, by layout, use, driveline, release, flywheel and kind of
  start.
- `begin`          How a job begins: from a layout alone, or from what a person knows of the vehicle.
- `build`          What is known of a job before anything is worked out: choices in force, values entered, values
  assumed.
- `builds`         The two builds of a job: as found, and as planned.
- `classes`       Classes of vehicle: what is typical of one, for a job that begins with one figure.
- `choices`        The alternatives a builder picks. A choice decides which modules are in the graph and what is
  assumed.
- `dyno_file`      From a dynamometer file, read as its mapping says, to a torque curve; and a curve to a file.
- `dyno_mapping`   Which column of a dynamometer file is what: guessed, to be confirmed.
- `dyno_runs`     The runs of a dynamometer file: one below the other, or side by side, each with its peak.
- `dyno_table`     The text of a dynamometer file taken apart: lines, cells, figures.
- `extremes`       Quantities of the whole stroke and of the whole life, made from an arrangement's own.
- `figures_of`     Whose figures those are that a part was typed with before it was renewed.
- `groups`         How figures and choices stand together on screen, in the order of work.
- `input`          What an input of a job is: its unit, its ranges, where it stands, and what stands in for it.
- `inputs`         What a builder enters: every input with its unit, its range and the figures that are usual.
- `ledger`         The record of a job: an append-only ledger. History, undo and audit are the same thing.
- `materials`      Friction materials: for each family its friction band, the pressure it carries, how much of the
  ring touches.
- `parts`          The parts of a clutch and what it works with: one register, to which everything else refers by key.
- `photos`         A photo of a job, as its record tells of it.
- `record_before`  Kinds and options of the record by the names they went by before they were keys.
- `refusal`        A value that cannot be: what was refused as data, and the one place its sentence is made in.
- `record`         The record of a job: what was said of it beside its figures, line by line, each of a kind.
- `rows`           The inputs of a job, a file a topic, in the order of work; `liftbite.core.job.inputs` puts them
  together.
- `schedule`       A race, a hill, a day in town: starts one after the other, as a builder writes them.
- `slots`          The kinds of parts a shelf holds.
- `spoken`      A tightening as it is spoken: a range, stages, one a size, torque and angle, two units, by feel.
- `tightening`     Instructions for bolts, as a workshop writes them: whose, torque and angle, and what goes with it.
"""
