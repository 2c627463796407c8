"""A car's clutch on and its gearbox in, with the hold points of the trade between."""

from __future__ import annotations

from liftbite.core.fit.case import Case
from liftbite.core.fit.step import Step


def _opens(c: Case) -> bool:
    return c.car and c.opens


STEPS = (
    Step("prove_flywheel", "Prove before the flywheel goes on", "fit",
         ("rear_seal_in", "pilot_in", "faces_clean", "measured", "old_beside_new"), lambda c: c.flywheel_off, "below",
         evidence="sentence", hold=True,
         note="Seal and crank face clean and dry; pilot to its depth; index hole found; external balance class equal."),
    Step("flywheel_on", "Flywheel on: every bolt by hand first, then in its star, every bolt ticked", "fit", ("prove_flywheel",),
         lambda c: c.flywheel_off, "below", evidence="bolts", parts=("flywheel", "flywheel_bolts"), part="flywheel",
         joint="flywheel", tools=("torque wrench", "angle gauge", "bar to hold the crank"), minutes=30,
         note="Right when every bolt starts by hand: an indexed circle fits one way."),
    Step("prove_disc", "Prove before the disc goes on", "fit",
         ("flywheel_on", "faces_clean", "measured", "old_beside_new", "disc_out"), _opens, "below", evidence="sentence", hold=True,
         note="Every flywheel bolt ticked; face degreased with fresh gloves; runout recorded."),
    Step("pull_bearing_in", "Pull bearing clicked into the cover and turned", "fit", ("measured", "cover_off"),
         lambda c: _opens(c) and c.pull, "bench", parts=("bearing", "cover"), part="bearing",
         note="Before the cover goes on."),
    Step("disc_on", "Disc on the centring tool: printed words beat the hub's shape", "fit", ("prove_disc",), _opens, "below",
         tools=("centring tool",), parts=("disc",), part="disc",
         note="A bolt that stiffens early means a reversed hub: stop."),
    Step("floater_on", "Ring torqued, floater and second disc on, marks in line, both discs seen to turn together", "fit",
         ("disc_on",), lambda c: _opens(c) and c.discs > 1, "below", evidence="bolts", joint="floater", part="floater",
         parts=("floater",)),
    Step("prove_cover", "Prove before the cover goes on", "fit", ("disc_on", "floater_on", "pull_bearing_in"), _opens, "below",
         evidence="sentence", hold=True,
         note="Disc side right, raised hub away from the flywheel unless marked; inner and outer disc right; splines of two discs "
              "in line; tool seated."),
    Step("cover_on", "Cover on, every bolt by hand, then evenly in passes", "fit", ("prove_cover",), _opens, "below",
         evidence="bolts", joint="cover", parts=("cover", "cover_bolts"), part="cover", tools=("torque wrench",), minutes=25,
         hazards=("Stored spring force: a turn at a time, crosswise.",),
         note="Finger height means nothing before the torque."),
    Step("housing_on", "Bell housing on, bolts from the card", "fit", ("cover_on", "housing_off"),
         lambda c: _opens(c) and c.is_("housing", "separate"), "below", joint="housing"),
    Step("prove_gearbox", "Prove before the gearbox goes in", "in",
         ("cover_on", "housing_on", "fork_in", "concentric_in", "pull_bearing_in", "shaft_seal_in", "measured"), _opens, "below",
         evidence="sentence", hold=True,
         note="Cover torqued in passes; tool slides in and out freely; floater clearance and cushion in their windows; bore runout "
              "passed; sleeve and splines lightly greased, or dry where the maker says so; line and shield fitted; the master's "
              "port open at rest."),
    Step("engine_in", "Engine back to its gearbox, the faces met by hand", "in", ("prove_gearbox",),
         lambda c: _opens(c) and c.is_("kind", "engine_out"), "above", hands=2, tools=("hoist",), minutes=120,
         hazards=("Nobody under the hoist; never drawn in by its bolts.",),
         note="A gear in, the crank turned slowly: one pitch of the splines is enough."),
    Step("gearbox_in", "Gearbox in: the tail goes towards the wider side of the gap", "in", ("prove_gearbox",),
         lambda c: _opens(c) and not c.is_("kind", "engine_out"), "below",
         hands=2, tools=("gearbox jack", "straps"), minutes=45,
         hazards=("A heavy gearbox, strapped; never drawn in by its bolts.",),
         note="A gear in, an output held, the crank turned slowly: one pitch of the splines is enough. Weight that rests on stud "
              "threads stops it dead."),
    Step("turned_over", "The crank turned once by hand: nothing fouls", "in", ("gearbox_in", "engine_in"), _opens, "below", minutes=5),
    Step("prove_housing", "Prove before the housing bolts are tight", "in", ("gearbox_in", "engine_in", "turned_over"), _opens, "below",
         evidence="reading", hold=True, note="Faces met by hand, the gap even all round, the right bolt in each hole."),
    Step("housing_tight", "Housing bolts tight, opposite to opposite", "in", ("prove_housing",), _opens, "below",
         evidence="bolts", joint="housing", tools=("torque wrench",)),
)  # fmt: skip
