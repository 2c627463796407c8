"""Fluid, levels, and the proofs up to full load."""

from __future__ import annotations

from liftbite.core.fit.step import Step

STEPS = (
    Step("hydraulics_out", "Suck the reservoir out, slave first, master last", "down", ("parts_gate",),
         lambda c: c.scope == "hydraulics" and c.hydraulic, "above", tools=("syringe", "catch pan"),
         hazards=("Brake fluid hurts skin, eyes and paint; catch it.",)),
    Step("cylinders_in", "Cylinders and line in, new slave pre-extended where it is told", "fit", ("hydraulics_out",),
         lambda c: c.scope == "hydraulics" and c.hydraulic, "above", parts=("master", "slave"), part="slave"),
    Step("bled", "Bled until no bubbles come and the pedal is firm", "fill",
         ("housing_tight", "back:line_opened", "cylinders_in", "lifted_by_hand"), lambda c: c.line_open, "below",
         parts=("fluid",), part="fluid", hands=1, minutes=40,
         hazards=("Brake fluid hurts skin, eyes and paint.", "Pressure bleeding: 10 to 20 psi, never above 20."),
         note="Fresh fluid of the named grade, the reservoir never dry, the hose's end under fluid."),
    Step("slave_read", "Slave travel at full pedal read, and held against what was worked out", "fill", ("bled", "back:slave_hung"),
         lambda c: c.hydraulic, "below", evidence="reading"),
    Step("free_play", "Free play at pedal or lever set", "fill", ("housing_tight", "back:cable_slack", "back:lever_slack"),
         lambda c: not c.hydraulic, "", evidence="reading"),
    Step("gearbox_filled", "Gearbox filled until it just runs from the fill hole, level", "fill", ("housing_tight", "drain", "back:prop_shaft", "back:drive_shafts", "back:front_shafts"),
         lambda c: c.car and c.opens and (c.is_("shaft", "slips") or c.is_("kind", "transverse", "lengthwise_all_wheel")), "below",
         note="The class matters: brass synchronisers."),
    Step("engine_oil", "Engine oil in, of a class for wet clutches, to its level", "fill", ("back:case_off",),
         lambda c: not c.car and c.opens, "bench", note="Level again after a run."),
    Step("final_look", "Final look: traces, plug routing, every fastener, nothing left over", "prove",
         ("housing_tight", "gearbox_filled", "engine_oil", "slave_read", "free_play", "lifted_by_hand"), evidence="sentence",
         note="Leftover fasteners and fragments are counted: what is left over is explained."),
    Step("prove_start", "Prove before the start", "prove", ("final_look", "slave_read", "free_play", "gearbox_filled", "engine_oil"),
         evidence="sentence", hold=True,
         note="Fluid levels, battery, linkages, no leaks, pedal firm, slave travel measured; cable: free play at the lever."),
    Step("static_release", "Static release test: in gear, output locked, pedal down, it turns by hand", "prove", ("prove_start",),
         hands=2),
    Step("start", "First start, in neutral", "prove", ("static_release", "prove_start"), hazards=(
        "Running on stands: all driven wheels up, nobody in line with the wheel.", "Never with the exhaust off in a closed shop."),
         note="Listen. Noises that are not the clutch are noted as such."),
    Step("prove_drive", "Prove before it is driven", "prove", ("start",), evidence="sentence", hold=True,
         note="Goes in and out of gear running and at rest; forward and back a few metres, twice; brakes."),
    Step("drive", "A short drive by day, gears up and down, then longer", "prove", ("prove_drive",),
         hazards=("The first drive: alone on the road, brakes proved first.",), minutes=30),
    Step("recheck", "Again after 50 to 100 km: level, leaks, mounts, exhaust, shaft bolts, slave travel", "prove", ("drive",),
         evidence="sentence", minutes=20),
    Step("prove_full_load", "Prove before full load: bedding-in complete", "prove", ("drive", "recheck"), evidence="sentence",
         hold=True),
    Step("full_load", "Full load", "prove", ("prove_full_load",), minutes=5),
)  # fmt: skip
