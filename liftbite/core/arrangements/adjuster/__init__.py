"""Whether the cover takes up wear by itself.

- `plain`            A cover that follows the wear.
- `self_adjusting`   A self-adjusting cover: fingers and clamp stay where they are until the adjuster is spent.
"""
