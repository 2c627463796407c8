"""How the pressure spreads over the facing.

- `button_wear`        Capacity of parallel-sided buttons that have worn in.
- `coned_plate`        A plate coned by heat presses one edge of the ring harder than the other.
- `uniform_pressure`   Capacity of a new clutch: rigid and flat, pressed evenly all over.
- `uniform_wear`       Capacity of a bedded clutch: where more has rubbed, more has worn, until wear is even.
"""
