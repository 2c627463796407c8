"""A car taken down to its flywheel: what is undone, in what order, and what putting it back is called."""

from __future__ import annotations

from liftbite.core.fit.case import Case
from liftbite.core.fit.step import Step

_UNDER = "Nobody goes under a car that rests on a jack: stands or lift locked, and shaken before."


def _opens(c: Case) -> bool:
    return c.car and c.opens


def _of(*kinds: str):  # type: ignore[no-untyped-def]
    return lambda c: _opens(c) and c.is_("kind", *kinds)


def _drains(c: Case) -> bool:
    return _opens(c) and (c.is_("shaft", "slips") or c.is_("kind", "transverse", "lengthwise_all_wheel"))


_ENGINE_STAYS = ("in_line", "transfer_case", "lengthwise_all_wheel", "transverse", "torque_tube", "rear_engine")

STEPS = (
    Step("battery", "Battery off, earth first", "down", ("parts_gate",), _opens, "above", tools=("10 mm spanner",), minutes=5,
         hazards=("The starter cable is live until the battery is off.",), back="Battery on, earth last"),
    Step("console", "Gear lever and console out, from inside, while the car is down", "down", ("battery",),
         _of("in_line", "transfer_case", "lengthwise_all_wheel", "torque_tube"), "inside",
         note="The lever's tower is out of reach once the car is up.", back="Gear lever and console in", minutes=20),
    Step("raise", "Raise and support the car; shake it before anybody goes under", "down",
         ("battery", "console", "free_height", "tools_gate", "shafts_turn"), _opens, "below", hands=1, hazards=(_UNDER,),
         note="Chocks at the wheels that stay down. Never shift a car that rests on the jack under its gearbox."),
    Step("fill_plug", "Open the fill plug of the gearbox", "down", ("raise",), _drains, "below",
         note="Proved open before the drain plug is touched.", minutes=3),
    Step("drain", "Drain the gearbox", "down", ("fill_plug",), _drains, "below", tools=("catch pan",),
         hazards=("Hot oil burns.",), minutes=15),
    Step("exhaust", "Exhaust off with its bracket and sensor", "down", ("raise",),
         _of("in_line", "transfer_case", "torque_tube", "lengthwise_all_wheel", "rear_engine"), "below",
         hazards=("Hot parts.",), note="Before the engine is tilted: down pipes foul.", back="Exhaust on, new hardware",
         minutes=30),
    Step("prop_shaft", "Mark both flanges of the propeller shaft with one stroke, and take it out", "down",
         ("raise", "exhaust", "drain"), _of("in_line", "transfer_case"), "below", back="Propeller shaft on, marks in line",
         joint="prop_shaft", minutes=20),
    Step("transfer_shafts", "Shafts of the transfer case marked and off", "down", ("raise", "drain"), _of("transfer_case"),
         "below", back="Shafts of the transfer case on, marks in line", minutes=25),
    Step("front_shafts", "Front drive shafts out of the gearbox", "down", ("drain",), _of("lengthwise_all_wheel"), "below",
         back="Front drive shafts in, clips felt home", minutes=40),
    Step("drive_shafts", "Drive shafts out", "down", ("drain",), _of("transverse"), "below",
         back="Drive shafts in, clips felt home", minutes=40),
    Step("slave_hung", "Hang the slave aside, closed; tag the pedal", "down", ("raise",),
         lambda c: _opens(c) and c.hydraulic and not c.line_open, "below",
         hazards=("Pressed with the slave off, the piston comes out: nobody touches the pedal.",),
         back="Slave on, tag off the pedal", joint="slave"),
    Step("line_opened", "Pinch the soft feed hose, open the line at the slave, cap it; tag the pedal", "down", ("raise",),
         lambda c: _opens(c) and c.line_open, "below", tools=("hose clamp", "caps", "catch pan"),
         hazards=("Brake fluid hurts skin, eyes and paint; catch it.",),
         note="Only the soft feed hose is pinched. A reservoir shared with the brakes is never emptied on that side.",
         back="Line home, clip, tug"),
    Step("cable_slack", "Cable slackened and off the arm", "down", ("raise",), lambda c: _opens(c) and not c.hydraulic, "below",
         back="Cable on the arm, free play set"),
    Step("wiring", "Sensors, earth straps, plugs and wiring free; one photo of each", "down", ("raise",), _opens, "below",
         note="Plugs that look alike get one paint mark across both halves.", back="Sensors, straps, plugs on, by their photos",
         minutes=15),
    Step("starter", "Starter off, and the braces that share the housing's bolts", "down", ("raise", "battery"), _opens, "below",
         back="Starter and braces on", joint="starter", minutes=20),
    Step("engine_supported", "Engine supported", "down", ("raise",), _of(*_ENGINE_STAYS), "below",
         tools=("beam or jack with wood",), note="On the sump only with wood, and where the manual allows it.",
         back="Support of the engine off, mounts under the full weight"),
    Step("crossmember", "Crossmember out", "down", ("engine_supported",),
         _of("in_line", "transfer_case", "lengthwise_all_wheel"), "below", note="Before the engine is tilted.",
         back="Crossmember in; rubber mounts' nuts loose until the full weight sits", joint="crossmember"),
    Step("mounts", "Mounts of the gearbox off", "down", ("engine_supported",), _of("transverse", "rear_engine"), "below",
         note="One mount left on the gearbox holds the whole unit.", back="Mounts of the gearbox on"),
    Step("tilt", "Let the tail down a little: vent, plug and lever tower are reached now", "down",
         ("crossmember", "exhaust", "wiring"), _of("in_line", "transfer_case", "lengthwise_all_wheel"), "below",
         note="Tipping the engine stretches hoses: brakes and leaks are proved afterwards.", back="Engine level again"),
    Step("coupling", "Coupling of the tube undone through its window", "down", ("raise", "exhaust"), _of("torque_tube"), "below",
         back="Coupling of the tube tight"),
    Step("transaxle", "Transaxle down and back", "down", ("coupling", "engine_supported"), _of("torque_tube"), "below", hands=2,
         tools=("gearbox jack", "straps"), hazards=("Heavy: strapped, one caller, agreed words.",), back="Transaxle up and in"),
    Step("tube", "Tube back", "down", ("transaxle",), _of("torque_tube"), "below", hands=2, back="Tube forward and home"),
    Step("arm_freed", "Free the release arm from the pull bearing", "down", ("tube", "mounts"),
         lambda c: _opens(c) and c.pull, "below", note="Before anything is parted.", back="Arm hooked into the pull bearing"),
    Step("gearbox_strapped", "All housing bolts but two opposite ones out, onto the card; jack and strap under the gearbox",
         "down", ("starter", "wiring", "slave_hung", "line_opened", "cable_slack", "tilt", "mounts", "prop_shaft",
                  "transfer_shafts", "front_shafts", "drive_shafts", "engine_supported", "arm_freed", "tube"),
         _of(*_ENGINE_STAYS), "below", tools=("gearbox jack", "straps", "long extensions", "bolt card"), minutes=40,
         note="Their lengths differ: each bolt through the card at its place."),
    Step("gearbox_out", "The last two bolts, and the gearbox straight back, level", "down", ("gearbox_strapped",),
         _of(*_ENGINE_STAYS), "below", hands=2, tools=("gearbox jack",), minutes=20,
         hazards=("The last bolt of a gearbox: something holds it.", "A heavy gearbox; nothing hangs on its shaft."),
         note="Little force is needed: force means a wrong angle, or something still attached."),
    Step("engine_lifted", "Engine out, on its stand", "down",
         ("starter", "wiring", "slave_hung", "line_opened", "cable_slack", "arm_freed"), _of("engine_out"), "above", hands=2,
         tools=("hoist", "engine stand"), hazards=("Nobody under the hoist.",), minutes=180),
    Step("off_stand", "Engine off its stand: flywheel and housing want the same face", "down", ("engine_lifted",),
         _of("engine_out"), "bench", hands=2, tools=("hoist",), minutes=15),
    Step("housing_off", "Bell housing off, bolts onto the card", "down", ("gearbox_out", "off_stand"),
         lambda c: _opens(c) and c.is_("housing", "separate"), "below", minutes=20,
         note="It may go on once for the line and shield, and off again."),
    Step("cover_off", "Mark cover and flywheel, undo the cover a turn at a time, crosswise", "down",
         ("gearbox_out", "off_stand", "housing_off"), _opens, "below",
         hazards=("Stored spring force: evenly, or the cover warps; the last bolt with a hand under the cover.",)),
    Step("disc_out", "Disc or discs out: which side faced the flywheel is written down", "down", ("cover_off",), _opens, "below",
         evidence="sentence", hazards=("Asbestos dust in old facings: no compressed air.",),
         note="Two discs carry two marks: which disc, and which face. “Bottom” is not a face."),
    Step("flywheel_off", "Flywheel off, crank held", "down", ("disc_out",), lambda c: c.flywheel_off, "below",
         tools=("bar or locked tool at a thick part of the housing",), minutes=20,
         hazards=("The holder of the crank carries the wrench's torque: 115 N·m is 1.9 kN at 60 mm.",
                  "A right-hand bolt at the crank's nose is loosened while flywheel bolts are undone against it: check it.")),
)  # fmt: skip
