"""What springs do at the pedal itself, beside the clutch.

- `curve`         A spring at the pedal told by its curve: force at the pad over travel, as measured.
- `over_centre`   An over-centre spring at the pedal: between two pivots, it holds the pedal up and then helps it down.
- `returns`       A spring that only returns pedal or lever.
"""
