"""Parts that do not go together are stopped by name; what agrees is let through."""

from __future__ import annotations

import pytest

from liftbite.core.parts.mismatch import RULES, Rule, misfit_sentence, mismatches, rule_of


@pytest.mark.parametrize("rule", RULES, ids=lambda r: f"{r.first[0]}-{r.second[0]} {r.first[1]}")
def test_every_rule_stops_what_does_not_fit_and_lets_the_rest(rule: Rule) -> None:
    (slot_a, name_a), (slot_b, name_b) = rule.first, rule.second
    assert mismatches({slot_a: {name_a: 10.0}, slot_b: {name_b: 10.0 + rule.within * 0.9}}) == []
    (found,) = mismatches({slot_a: {name_a: 10.0}, slot_b: {name_b: 11.0}})
    assert found.slots == (slot_a, slot_b)
    assert (found.rule, rule_of(rule.key)) == (rule, rule)
    assert rule.mend in misfit_sentence(found)
