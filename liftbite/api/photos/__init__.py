"""Photos: brought from a camera, of a job, a check, a step or a bag."""
