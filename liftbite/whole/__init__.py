"""A job read whole: what stands between the interface and the store.

- `at_step`   What is read at a step of the plan: a reading of the bench, entered in either.
- `bench`     Everything a job's bench stands on, and what follows from it.
- `fault`     The complaint of a job: what explains it, and the causes it may have.
- `joints`    The joints of a job, and the cards they are worked from.
- `learned`   How long the steps of the work take in this shop.
- `looks`     What hold points look up, and the steps whose fact was said elsewhere.
- `plan`      The plan of a job, and where the job stands in it.
- `hand_over`   What stands between a job and its hand-over.
- `own_process` Long work in a process of its own, so that the server answers others meanwhile.
- `readings`  The readings of a job's vehicle as a file.
- `road`      A logger's file against a job's build, and how far it is bedded in.
- `runs`      Searches that run beside the requests.
- `statements`  A statement about a job, held against the job as it stands before it counts.

Screens, command line, papers and archive stand on it; it knows none of them.
"""
