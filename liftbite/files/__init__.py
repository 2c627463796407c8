"""Files in and out, in open formats; every fault is a sentence that names the place.

- `job`         a job with its whole record and all that was measured, `*.liftbite.json`
- `measured`    what was measured, as a job file carries it
- `plan`        a plan: answers, own steps, instructions, every step to read
- `readings`    readings as CSV
- `shelf`       the shelf, `*.liftbite-shelf.json`
- `shelf_csv`   the shelf as CSV
- `archive`     everything of a shop in one
- `versions`    files of before, read as they are now
- `table`       rows out of a text
- `fields`      kinds of fields that requests and files share
"""
