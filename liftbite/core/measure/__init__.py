"""Measuring: from a reading to a verdict, to entries of the job and to the parts list.

- `check`         What a check of the bench is: one thing to measure or look at, with all that is known of it.
- `checks`        What is measured on the bench: every check with its places, its limits and whose they are, a file a
  topic.
- `effect`        One quantity of the job that readings change, ready to be entered.
- `effects`       What measured values do to the four questions: entries for the job's ledger, with what stood there
  before.
- `enters`        What readings of a check enter into the job, for the table of checks.
- `explained`     How a verdict of the bench was worked out, line by line, with its figures, its rule and whose it is.
- `grades`        Conditions in a word, for what is looked at and not measured: each family with the verdicts its
  words lead to.
- `instruments`   What a reading is taken with, how far it can be trusted, and what that does to a verdict.
- `judgement`     From readings to a verdict: what decided it, whose limit it was, how much of its life is used.
- `keyed`         What was keyed in, or came from a gauge, as a value of a check.
- `left`          How far a part still goes: a straight line through dated readings to their limit.
- `limit`         A figure a reading is held against.
- `limits`        The limits of a check in force: the manual's, what follows from the job, the default.
- `own`           Checks a job adds of its own: a sensor gap, hub to bolts, the roughness of a face.
- `parts_list`    From verdicts to the list of parts to get, with reasons, and what is worth doing while it is open.
- `practices`     Where builders differ, and what a renewed part brings along by what a shop does.
- `reading`       A reading, and all that are in force.
- `runout`        A dial swept round a circle: how far off centre, which way, how round, and what dowel puts it right.
- `scope`         How far a job goes: which checks are asked for.
- `setup`         The calculations of the set-up, a file each: a file with a `CALCULATION` is one, nothing else has to
  know it.
- `statements`    What is said at the bench: orders, lines of the list, checks closed, verdicts overruled, scope.
- `sweep`         A sweep of the record: angles from its places, the fit, its verdict and what to do about it.
- `whose`         Whose part a check reads: of a part that is found and planned as two, each has readings of its own.
- `words`         The words of the bench: verdicts, findings and what was held against a limit, made from what was
  found.
"""
