"""A job read whole: what stands between the interface and the store.

- `bench`     Everything a job's bench stands on, and what follows from it.
- `fault`     The complaint of a job: what explains it, and the causes it may have.
- `learned`   How long the steps of the work take in this shop.
- `plan`      The plan of a job, and where the job stands in it.
- `readings`  The readings of a job's vehicle as a file.

Screens, command line, papers and archive stand on it; it knows none of them.
"""
