"""What a job says: the four answers, what they are judged by, and what is shown.

- `answers`    The answers of a job at one moment: results, verdict, chart, assumptions, and what is still missing.
- `results`    What a job shows and asks for, by question.
- `verdict`    What a question's answer is made of.
- `verdicts`   Lift, Heat and True: each rolls up to a margin, its weakest link and the reason in words. Bite stands
  in `answers`.
"""
