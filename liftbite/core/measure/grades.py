"""Conditions in a word, for what is looked at and not measured: each family with the verdicts its words lead to.

- `PICTURES`   which picture shows a family
"""

from __future__ import annotations

from liftbite.core.measure.check import Grade, Picture

BEARING = (
    Grade("greasy", "Greasy and slow", "Turns with a drag, no noise: as new.", "reuse", 0),
    Grade("free", "Spins freely", "The grease has gone.", "renew", 2),
    Grade("stiff", "Silent but stiff", "Turns hard, or in steps.", "renew", 2),
    Grade("rough", "Rough or noisy", "Grinds, rattles or howls.", "renew", 3),
)
NOTCHES = (
    Grade("smooth", "Smooth to a fingertip", "No edge to be felt.", "reuse", 0),
    Grade("light", "Light notches", "A nail catches; a file would take them out.", "dress or resurface", 1),
    Grade("deep", "Deep notches", "Plates hang in them.", "renew", 2),
    Grade("cracked", "Cracked or loose", "A crack, a loose rivet, a broken tab.", "stop", 3),
)
SEAL = (
    Grade("dry", "Dry", "Clean above and below.", "reuse", 0),
    Grade("damp", "Damp", "A film, no run.", "reuse and watch", 1),
    Grade("wet", "Clean above, wet below", "It leaks.", "renew", 2),
)
FACE = (
    Grade("polished", "Smooth and flat", "Polished, no groove, no blue spot.", "reuse", 0),
    Grade("scored", "Scored or chattered", "Grooves or chatter marks a nail catches.", "dress or resurface", 1),
    Grade("checked", "Heat checks, blue spots", "Hard spots come through again after a cut.", "dress or resurface", 2),
    Grade("cracked", "Cracked", "A crack that dye shows, or drilled and welded.", "stop", 3),
)
SPRUNG = (
    Grade("tight", "Tight", "Nothing rattles, splines smooth, facings dry.", "reuse", 0),
    Grade("loose", "Rattles", "Damper springs loose in their windows.", "renew", 2, ("damper",)),
    Grade("oily", "Oily", "Oil on a facing does not come out again.", "renew", 2, ("oily_facing",)),
    Grade("broken", "Missing or cracked", "A spring gone, a crack, torn splines.", "renew", 3, ("damper", "burst")),
)
PIVOT = (
    Grade("sound", "Sound", "Coating whole, no wear flat.", "reuse", 0),
    Grade("flat", "A wear flat", "Shiny and flat, coating whole.", "reuse and watch", 1),
    Grade("bare", "Bare metal", "Worn through its coating.", "renew", 2),
    Grade("cracked", "Cracked", "A crack in arm, ball or sleeve.", "stop", 3),
)
TIPS = (
    Grade("even", "Evenly polished", "A narrow bright line.", "reuse", 0),
    Grade("grooved", "A groove", "A nail catches in it.", "reuse and watch", 1),
    Grade("thin", "Worn thin or uneven", "A step, or one finger higher than the rest.", "renew", 2),
    Grade("bent", "Bent or broken", "A finger or a strap bent, cracked or gone.", "renew", 3),
)
BURNT = (
    Grade("clean", "Clean, tabs whole", "Brown, no smell, square tabs.", "reuse", 0),
    Grade("glazed", "Glazed", "Shiny, hard.", "renew as set", 2),
    Grade("burnt", "Burnt", "Black, and it smells.", "renew as set", 3),
    Grade("cracked", "Tabs cracked", "A crack at a tab, or a torn facing.", "renew as set", 3),
)
TEETH = (
    Grade("whole", "Whole", "Every tooth, no burr.", "reuse", 0),
    Grade("burred", "Burred", "Ends turned over; they can be dressed.", "dress or resurface", 1),
    Grade("broken", "Worn or broken", "Teeth short or gone.", "renew", 3),
)
SPLINE = (
    Grade("clean", "Clean", "Disc slides by its weight.", "reuse", 0),
    Grade("stepped", "A step", "A nail catches where the hub sat.", "reuse and watch", 1),
    Grade("twisted", "Twisted or blue", "Splines out of line, or heat colours.", "renew", 3),
)
FIRM = (
    Grade("tight", "Tight", "Every fastener tight, the insert does not move.", "reuse", 0),
    Grade("loose", "Loose", "A fastener turns, or the insert rings dull.", "stop", 3),
)

SPOTS = (
    Grade("even", "Evenly grey", "No spot, no groove a nail catches.", "reuse", 0),
    Grade("dark", "Dark in places", "Darker bands, no blue.", "reuse and watch", 1),
    Grade("blue", "Blue spots", "It slipped hot there: hard, and dished.", "renew as set", 2),
    Grade("scored", "Scored", "Grooves a nail catches.", "renew as set", 3),
)
SQUARE = (
    Grade("square", "Square", "Stands upright against the square, ends flat.", "reuse", 0),
    Grade("rubbed", "Rubbed", "Bright where it touched its pocket.", "reuse and watch", 1),
    Grade("leaning", "Leaning", "A gap at the square's blade, or bowed.", "renew as set", 2),
    Grade("broken", "Cracked or rusted", "A pit or a crack; it breaks from there.", "renew as set", 3),
)
BOLTED = (
    Grade("clean", "Clean", "Threads and shanks whole, holes round, not one-time bolts.", "reuse", 0),
    Grade("once", "One-time bolts", "Stretched, marked one-time, or nobody knows.", "renew", 2),
    Grade("drawn", "Holes drawn or fretted", "Oval, rust-red, or a dowel loose.", "stop", 3),
)

FLUID = (
    Grade("clear", "Clear", "Straw to amber, up to the mark.", "reuse", 0),
    Grade("dark", "Dark or low", "Brown, or below the mark: old, or it goes somewhere.", "put right", 1),
    Grade("gritty", "Black or gritty", "Rubber in it: a seal is going; fluid and seals are renewed.", "renew", 2),
)
RUBBER = (
    Grade("firm", "Firm", "No play to and fro by hand.", "reuse", 0),
    Grade("slack", "Slack", "Play by hand, rubber or springs settled.", "reuse and watch", 1),
    Grade("gone", "Cracked or gone", "Pieces missing, metal meets metal.", "renew", 3),
)
SLEEVE = (
    Grade("free", "Slides freely", "Bore and groove smooth, the fork's groove even.", "reuse", 0),
    Grade("worn", "Scored or stepped", "A nail catches in the bore or in the fork's groove.", "renew", 2),
)

PICTURES: tuple[tuple[tuple[Grade, ...], Picture], ...] = (
    (SPOTS, "spots"),
    (SQUARE, "spring"),
    (BOLTED, "fastener"),
    (BEARING, "bearing"),
    (SEAL, "seal"),
    (BURNT, "facing"),
    (SPRUNG, "facing"),
    (FIRM, "fastener"),
)
