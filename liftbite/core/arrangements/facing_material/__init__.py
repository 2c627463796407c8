"""How friction goes with temperature.

- `carbon`   Carbon: weak when cold, at its best from 200 °C up.
- `fading`   A facing that fades when it gets too hot.
"""
