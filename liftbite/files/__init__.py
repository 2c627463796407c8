"""Files in and out, in open formats; every fault is a sentence that names the place.

- `job`         a job with its whole record and all that was measured, `*.liftbite.json`
- `measured`    what was measured, as a job file carries it
- `plan`        a plan: answers, own steps, instructions, every step to read
- `readings`    readings as CSV
- `shelf`       the shelf, `*.liftbite-shelf.json`
- `shelf_csv`   the shelf as CSV
- `shop`        what a shop holds besides its jobs and photos
- `relation`    how a job of a file stands to the same job here
- `photo`       photos as they are kept
- `archive`     everything of a shop in one
- `versions`    files of before, read as they are now
- `table`       rows out of a text
- `fields`      kinds of fields that requests and files share
"""
