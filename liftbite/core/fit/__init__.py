"""Fitting: the plan of a job as a graph of steps, what is open in it, bolts in order.

- `bolt_load`  What tightening does to bolts: preload over proof, where an angle ends, head and thread.
- `bolt_map`  Which bolt goes where: bottoms, too short, shank in the thread, and which two must not be swapped.
- `bolts`     Sequences for any count of bolts, their passes, and where each stands on its circle.
- `case`      What a plan depends on: kind of vehicle, housing, shaft, line, lift, helpers, scope, what comes out.
- `helps`     What a step says by the job's own figures: one pitch of the splines, what the holder of the crank carries.
- `hold_lines`  What each hold point looks up, and of which parts a bad reading keeps it shut.
- `holds`     What a hold point looks up, line by line, and what a named person goes past.
- `joints`    Joints of several bolts on a circle: what a job says of them, and the card they are worked from.
- `library`   Every step there is, a file a stretch of the work: how it is called, what proves it, what puts it back.
- `order`     What comes after what, as rows a builder can review: a file a layout.
- `own_steps`  Steps a job or a shop adds, each with its place.
- `part_steps`  Steps for planned parts that no step of the library takes, and for those that stay dressed.
- `pattern`   Where the holes of a joint stand: on a circle, by angles, or dragged over a photo; at true size.
- `plan`      The steps of a case in order, each with what it waits for and why; what came off put back in reverse.
- `progress`  Where a job stands in its plan: what is done, open, shut, waits; what vanished with its evidence.
- `statements`  What is said of a plan: its answers, steps done, bolts ticked off, bags, marks, what is left over.
- `pulls`     What a torque wrench sends of a bolt, held against its turn.
- `step`      What a step is, and why one waits for another.
- `step_names`  What steps went by before.
- `tightening`  How a joint is tightened: by whose instruction, in which passes, each hole to its own figure.
- `way`       An instruction for the bolts of a joint, read.
"""
