"""Choose: the drawing, starts, flywheels, what moves a result."""
