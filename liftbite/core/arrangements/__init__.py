"""Modules that supply a quantity in one arrangement of the clutch and leave it an input in another.

Which choice brings which module into the graph stands in `liftbite.core.choices`.
"""
