"""The account of a job: what is true of it now, derived from entries, readings and statements, never typed.

- `answers`  the four answers, of the clutch as planned and as it stands
- `claims`   what a state or a sentence rests on: a tick, a reading, an order, a card
- `complaints`  what was complained of, and what became of it
- `owner`    what the owner is told of the work
- `parts`    the state of every part a job touches: suggested, planned, ordered, here, fitted, put back, struck
- `points`   what is not done, and known: a code, of what, how many, which
- `read`     what was read: of whose part, what it came to, what was done about it
- `words`    states and points in words
"""
