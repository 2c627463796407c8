"""Fit: the plan of a job, what is done and open in it, the bolt card.

- `card`               a bolt card at 1:1
- `models`, `present`  the plan as it goes over the wire
- `views`              the plan, what is said of its steps, the card, the step list on paper
"""
