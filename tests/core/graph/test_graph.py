"""The graph: wiring by name, missing inputs, impossible values, arrays."""

from __future__ import annotations

from graphlib import CycleError

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import OutOfRange
from liftbite.core.graph.graph import Graph, Needs, Refused, within
from liftbite.core.job.arrangement import QUANTITIES, choose, graph_of
from liftbite.core.job.choices import CHOICES


def area(width, height):  # type: ignore[no-untyped-def]
    return width * height * within(np.greater(width, 0), "width", width, "above", 0)


def price(area, price_per_area):  # type: ignore[no-untyped-def]
    return area * price_per_area


GRAPH = Graph([price, area])


def test_functions_are_ordered_by_what_they_need() -> None:
    assert GRAPH.order(["price"]) == ["area", "price"]
    values = GRAPH.evaluate(["price"], {"width": 2.0, "height": 3.0, "price_per_area": 10.0})
    assert (values["area"], values["price"]) == (6.0, 60.0)


def test_only_what_is_asked_for_is_worked_out() -> None:
    assert "price" not in GRAPH.evaluate(["area"], {"width": 2.0, "height": 3.0})


def test_missing_inputs_are_named_down_to_the_inputs() -> None:
    values = GRAPH.evaluate(["price"], {"width": 2.0})
    assert values["price"] == Needs(frozenset({"height", "price_per_area"}))
    assert values["area"] == Needs(frozenset({"height"}))


def test_a_name_nobody_supplies_is_a_need() -> None:
    assert GRAPH.evaluate(["colour"], {})["colour"] == Needs(frozenset({"colour"}))


def test_an_impossible_value_is_refused_and_passed_on() -> None:
    values = GRAPH.evaluate(["price"], {"width": -2.0, "height": 3.0, "price_per_area": 10.0})
    assert isinstance(values["price"], Refused)
    assert values["price"].error.quantity == "width"
    assert values["price"].error.bound.relation == "above"


def test_a_refusal_outranks_a_need() -> None:
    assert isinstance(GRAPH.evaluate(["price"], {"width": -2.0, "height": 3.0})["price"], Refused)


def test_in_an_array_only_the_impossible_candidate_is_masked() -> None:
    width = np.array([1.0, -1.0, 2.0])
    found = GRAPH.evaluate(["price"], {"width": width, "height": 3.0, "price_per_area": 1.0})["price"]
    np.testing.assert_array_equal(found, [3.0, np.nan, 6.0])


def test_a_known_value_is_taken_as_it_is() -> None:
    assert GRAPH.evaluate(["price"], {"area": 5.0, "price_per_area": 2.0})["price"] == 10.0


def test_inputs_are_the_names_no_function_supplies() -> None:
    assert GRAPH.inputs(["price"]) == {"width", "height", "price_per_area"}


def test_what_rests_on_a_changed_name_is_found_in_one_pass() -> None:
    assert GRAPH.downstream(["width"]) == {"area", "price"}
    assert GRAPH.downstream(["price_per_area"]) == {"price"}
    assert GRAPH.downstream(["area"]) == {"price"}
    assert GRAPH.downstream(["colour"]) == frozenset()


def test_two_functions_of_one_name_are_a_mistake() -> None:
    with pytest.raises(ValueError, match="area is supplied twice"):
        Graph([area, area])


def test_a_circle_is_a_mistake() -> None:
    def a(b):  # type: ignore[no-untyped-def]
        return b

    def b(a):  # type: ignore[no-untyped-def]
        return a

    with pytest.raises(CycleError, match="cycle"):
        Graph([a, b])


def test_the_error_carries_its_data() -> None:
    with pytest.raises(OutOfRange, match="width = -1 has to be above") as caught:
        area(-1.0, 1.0)
    assert (caught.value.value, caught.value.bound.value) == (-1.0, 0.0)


@given(st.lists(st.floats(0.1, 10), min_size=1, max_size=20), st.floats(0.1, 10))
def test_an_array_equals_a_loop(widths: list[float], height: float) -> None:
    known = {"height": height, "price_per_area": 1.5}
    at_once = GRAPH.evaluate(["price"], {**known, "width": np.array(widths)})["price"]
    one_by_one = [GRAPH.evaluate(["price"], {**known, "width": w})["price"] for w in widths]
    np.testing.assert_allclose(at_once, one_by_one, rtol=1e-15)


def all_options() -> list[tuple[str, str]]:
    return [(choice.name, option.value) for choice in CHOICES.values() for option in choice.options]


@pytest.mark.parametrize(("choice", "option"), all_options())
def test_every_option_gives_a_graph_without_circle_or_doubles(choice: str, option: str) -> None:
    layouts = CHOICES[choice].option(option).layouts if choice != "layout" else (option,)  # type: ignore[union-attr]
    for layout in layouts:
        chosen = choose({"layout": layout, choice: option})
        assert chosen.options[choice] == option
        assert "bite_margin" in chosen.graph.functions


def test_every_leaf_of_every_arrangement_is_a_declared_input() -> None:
    from liftbite.core.job.inputs import INPUTS, STATES

    for layout in ("dry_car", "wet_motorcycle"):
        for choice, option in all_options():
            chosen = choose({"layout": layout, "curve_reference": "crank", choice: option} | {"layout": layout})
            leaves = chosen.graph.inputs(chosen.graph.functions)
            assert leaves <= set(INPUTS) | set(STATES) | set(CHOICES) | {"engine_speed"}, (layout, choice, option)


def test_a_choice_not_made_is_what_is_missing() -> None:
    graph = graph_of((("layout", "dry_car"),))
    assert graph.evaluate(["crank_curve"], {})["crank_curve"].names == {"curve_reference", "measured_curve"}


def test_what_every_option_needs_is_asked_for_before_one_is_chosen() -> None:
    """A new job has to show where the curve goes before it is said where it was taken."""
    from liftbite.core.verdicts.answers import answer
    from tests.jobs import entries

    assert "measured_curve" in answer(entries({"layout": "dry_car"})).asked
    assert "peak_torque" in answer(entries({"layout": "wet_motorcycle", "curve_source": "peaks"})).asked


def test_an_option_of_another_layout_is_not_taken() -> None:
    assert "facing_material" not in choose({"layout": "dry_car", "facing_material": "paper"}).options


def test_what_depends_on_what_is_decided_by_names_alone() -> None:
    for name, function in QUANTITIES.items():
        assert name == function.__name__
