"""What is said of a job, by what it is of; and that every door takes its own kinds alone."""

from __future__ import annotations

import pytest
from pydantic import BaseModel, ValidationError

from liftbite.api.fit.models import SayOfPlanIn
from liftbite.api.measure.models_in import SayIn
from liftbite.api.prove.models import SayOfProofIn
from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import fields_of
from liftbite.core.statements import KINDS, read_statement

HOLE = {"answer": "kept", "thread": "M10", "length": "50 mm", "grip": "30 mm", "material": "iron"}


@pytest.mark.parametrize(
    ("kind", "key", "said", "says"),
    [
        ("hole", "A:1", HOLE | {"thread": "ten"}, "is no thread"),
        ("bled", "1", {"answer": "open", "bottles": "lots"}, "lots"),
        ("trip", "1", {"distance": "far"}, "far"),
        ("drive", "1", {"answer": "kept", "share": "most"}, "is no figure"),
        ("drive", "1", {"answer": "kept", "share": "0"}, "is no share"),
        ("fault", "gremlins", {"answer": "found"}, "is no cause"),
        ("fault_test", "gremlins", {"answer": "yes"}, "is no answer"),
        ("complaint", "", {"answer": "sings"}, "is no complaint"),
        ("own", "Gap", {"answer": "asked", "unit": "parsecs"}, "parsecs"),
    ],
)
def test_what_a_line_is_of_is_checked_and_taking_it_back_always_goes(
    kind: str, key: str, said: dict[str, str], says: str
) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_statement(kind, key, said)
    field, word = KINDS[kind].about.takes_back
    assert read_statement(kind, key, {field: word}).kind == kind


@pytest.mark.parametrize(("model", "at"), [(SayOfPlanIn, "plan"), (SayOfProofIn, "proof"), (SayIn, "bench")])
def test_a_station_takes_the_kinds_that_are_said_there_and_no_others(model: type[BaseModel], at: str) -> None:
    for name, kind in KINDS.items():
        body = {"kind": name, "key": "x", "said": {}}
        if kind.about.at == at:
            model.model_validate(body)
        else:
            with pytest.raises(ValidationError, match="nothing that is said here"):
                model.model_validate(body)
    shapes = {each["properties"]["kind"]["const"]: each for each in model.model_json_schema()["oneOf"]}
    assert shapes.keys() == {name for name, kind in KINDS.items() if kind.about.at == at}
    for name, shape in shapes.items():
        assert shape["properties"]["said"]["properties"].keys() == fields_of(KINDS[name]).keys()
