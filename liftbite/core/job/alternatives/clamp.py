"""What presses the discs: springs, cover, fingers, bearing; and how the torque follows from it."""

from __future__ import annotations

from liftbite.core.arrangements.adjuster import plain, self_adjusting
from liftbite.core.arrangements.bearing import free, rides
from liftbite.core.arrangements.capacity_model import button_wear, coned_plate, uniform_pressure, uniform_wear
from liftbite.core.arrangements.clamp_source import coils, diaphragm
from liftbite.core.arrangements.clamp_source import figure as clamp_source_figure
from liftbite.core.arrangements.fingers import counted, left_aside
from liftbite.core.arrangements.hub import plain as hub_plain
from liftbite.core.arrangements.hub import ramps
from liftbite.core.arrangements.spring_lengths import each
from liftbite.core.arrangements.spring_rate_source import wire
from liftbite.core.job.alternatives.choice import Choice, Option
from liftbite.core.job.parts import CAR, MOTORCYCLE

CHOICES = (
    Choice(
        "clamp_source",
        "Clamp load from",
        (
            Option(
                "figure",
                "A figure",
                "The cover maker's clamp load, or one measured in a press.",
                (clamp_source_figure,),
            ),
            Option(
                "coils",
                "Coil springs",
                "Count, rate and lengths of the springs.",
                (coils,),
                traits=frozenset({"coil springs"}),
            ),
            Option("diaphragm", "A diaphragm spring", "Sizes of the ring, seat, fulcrum and fingers.", (diaphragm,)),
        ),
        begins={CAR: "figure", MOTORCYCLE: "coils"},
        group="clamp",
        parts=("cover", "springs"),
    ),
    Choice(
        "spring_lengths",
        "Spring lengths",
        (
            Option("alike", "One length for all", "The springs are alike."),
            Option("each", "Each measured", "Every spring's own length, in order round the plate.", (each,)),
        ),
        begins={CAR: "alike", MOTORCYCLE: "alike"},
        under=("clamp_source", "coils"),
        group="clamp",
    ),
    Choice(
        "adjuster",
        "Cover",
        (
            Option("plain", "Follows the wear", "The fingers come back as the disc wears.", (plain,)),
            Option(
                "self_adjusting",
                "Self-adjusting",
                "Fingers and clamp stay until the adjuster is spent.",
                (self_adjusting,),
                traits=frozenset({"self-adjusting cover"}),
            ),
        ),
        begins={CAR: "plain", MOTORCYCLE: "plain"},
        group="cover",
        parts=("cover",),
    ),
    Choice(
        "fingers",
        "Fingers at speed",
        (
            Option("left_aside", "Left aside", "What speed does to the fingers does not count.", (left_aside,)),
            Option("counted", "Counted", "Their mass off the pivots' plane adds or takes.", (counted,)),
        ),
        begins={CAR: "left_aside"},
        under=("layout", CAR),
        group="cover",
    ),
    Choice(
        "bearing",
        "Bearing at rest",
        (
            Option("free", "Free", "The bearing does not press at rest.", (free,)),
            Option(
                "rides", "Rides with preload", "It takes its preload times the lever ratio off the clamp.", (rides,)
            ),
        ),
        begins={CAR: "free", MOTORCYCLE: "free"},
        group="bearing",
        parts=("bearing",),
    ),
    Choice(
        "hub",
        "Hub",
        (
            Option("plain", "Plain", "No ramps.", (hub_plain,)),
            Option("ramps", "Assist and slipper ramps", "Press when driving, open on the overrun.", (ramps,)),
        ),
        begins={CAR: "plain", MOTORCYCLE: "plain"},
        group="cover",
    ),
    Choice(
        "spring_rate_source",
        "Spring rate from",
        (
            Option("figure", "A figure", "A data sheet, or force over travel in a press."),
            Option("wire", "The wire", "Wire, coil and number of working coils.", (wire,)),
        ),
        begins={CAR: "figure", MOTORCYCLE: "figure"},
        under=("clamp_source", "coils"),
        group="clamp",
        parts=("springs",),
    ),
    Choice(
        "capacity_model",
        "Capacity model",
        (
            Option("uniform_wear", "Uniform wear", "A bedded clutch; the cautious one.", (uniform_wear,)),
            Option("uniform_pressure", "Uniform pressure", "New, rigid and flat.", (uniform_pressure,)),
            Option("button_wear", "Uniform wear, buttons", "Parallel-sided buttons that have worn in.", (button_wear,)),
            Option("coned_plate", "Coned plate", "A plate coned by heat presses one edge harder.", (coned_plate,)),
        ),
        begins={CAR: "uniform_wear", MOTORCYCLE: "uniform_wear"},
        assumption=True,
        group="facing",
    ),
)
