"""The order of work as a builder writes it down: a row names what comes after what; a block of rows is a file.

- `notation`   How a row is read: segments, cases, what is there only sometimes, “one of them”.
- `cases`      What a row's case and a step that is there only sometimes depend on.
- `*.order`    The rows: before, the layouts, the clutch, what follows, the finish; a motorcycle's, the hydraulics'.
"""
