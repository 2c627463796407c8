"""The life of a part over the jobs of a vehicle: a renewal ends one trend and begins another."""

from __future__ import annotations

from dataclasses import dataclass

from liftbite.core.measure.whose import life_of


@dataclass(frozen=True)
class One:
    job_id: int
    build: str
    name: str = ""


OLD, WORN, NEW, NOW = One(1, "found", "old"), One(2, "found", "worn"), One(2, "", "new"), One(3, "found", "now")


def lived(build: str | None = None, **came_out: list[str]) -> list[str]:
    told = {int(job.removeprefix("job")): parts for job, parts in came_out.items()}
    return [t.name for t in life_of("disc", [OLD, WORN, NEW, NOW], 3, build, told)]


def test_a_part_that_stayed_has_one_life_over_all_jobs() -> None:
    assert lived() == ["old", "worn", "new", "now"]
    assert lived(job2=["flywheel"]) == ["old", "worn", "new", "now"]


def test_what_came_out_of_an_earlier_job_is_another_part() -> None:
    assert lived(job2=["disc"]) == ["new", "now"]


def test_of_a_part_that_comes_out_now_the_new_one_begins_anew() -> None:
    both = [OLD, NOW, One(3, "", "goes in")]
    assert [t.name for t in life_of("disc", both, 3, "found", {})] == ["old", "now"]
    assert [t.name for t in life_of("disc", both, 3, "", {})] == ["goes in"]
