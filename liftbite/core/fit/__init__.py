"""Fitting: the plan of a job as a graph of steps, what is open in it, bolts in order.

- `bolt_map`  Which bolt goes where: bottoms, too short, shank in the thread, and which two must not be swapped.
- `bolts`     Sequences for any count of bolts, their passes, and where each stands on its circle.
- `case`      What a plan depends on: kind of vehicle, housing, shaft, line, lift, helpers, scope, what comes out.
- `helps`     What a step says by the job's own figures: one pitch of the splines, what the holder of the crank carries.
- `joints`    Joints of several bolts on a circle: what a job says of them, and the card they are worked from.
- `library`   Every step there is, a file a stretch of the work.
- `pattern`   Where the holes of a joint stand: on a circle, by angles, or dragged over a photo; at true size.
- `plan`      The steps of a case in order: needs bridged over what is left out, what came off put back.
- `progress`  Where a job stands in its plan: what is done, open, shut, waits; what vanished with its evidence.
- `statements`  What is said of a plan: its answers, steps done, bolts ticked off, bags, marks, what is left over.
- `step`      What a step is.
- `tightening`  How a joint is tightened: by whose instruction, in which passes, and what a wrench says of each bolt.
"""
