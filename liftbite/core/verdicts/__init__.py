"""What a job says: the four answers, what they are judged by, and what is shown.

- `answers`         The answers of a job at one moment: results, verdict, chart, assumptions, and what is still
  missing.
- `bite`            Bite: does it hold the torque?
- `criteria`        What each answer is judged by: one table, for the verdict of a job and for the finder's candidates
  alike.
- `cure`            What would mend an answer soonest.
- `fits`            Does it fit: parts that do not go together, as links of the answer they reach.
- `heat`            Heat: does it survive the way it is used? By the integrated start, over the friction band.
- `lift`            Lift: does it let go, at an effort the driver can live with?
- `rows`            The rows of `verdicts.criteria` worked out: for one job with its links, or for many candidates at
  once.
- `next_question`   The next question: the one figure or reading that would settle most of what a job still leaves
  open.
- `results`         What a job shows and asks for, by question.
- `rolled`          From the rows of a question to its answer.
- `true`            True: does it run true: speed, balance, joints, and runout where it was swept?
- `verdict`         What a question's answer is made of.
- `words`           The words of the four questions: what a link and an answer are called, and their sentences, made
  from what was found.
"""
