"""`make mutants`: one deliberate fault at a time in the rules a verdict rests on, and whether the nearest tests notice.

Cosmic Ray makes the faults and runs the tests; this says which module is held by which tests, takes one copy of the
project a processor, and prints the score and every fault that lived. A fault that changes nothing anyone could see
stands in `equivalent.json` with the reason, and is counted by itself.

    python -m tests.mutants                 all modules
    python -m tests.mutants limits sweep    those whose path has one of these words
"""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator, Sequence, Set
from concurrent.futures import ThreadPoolExecutor, as_completed
from dataclasses import dataclass
from pathlib import Path
from queue import SimpleQueue

from cosmic_ray.work_db import WorkDB, use_db

ROOT = Path(__file__).parents[2]
BIN = Path(sys.executable).parent

#: Module of the core -> the tests that have to notice a fault in it, those that notice most first.
HELD_BY: dict[str, list[str]] = {
    "fit/tightening.py": ["fit/test_tightening_edges.py", "fit/test_tightening.py", "test_limits_at_their_edges.py"],
    "prove/faults.py": ["prove/test_odds.py", "prove/test_faults.py", "test_limits_at_their_edges.py"],
    "measure/judgement.py": [
        "measure/test_judgement_edges.py",
        "measure/test_judgement.py",
        "test_limits_at_their_edges.py",
    ],
    "measure/sweep.py": ["measure/test_sweep.py", "measure/test_runout.py"],
    "units/read.py": ["units"],
    "units/show.py": ["units"],
    "verdicts/criteria.py": ["verdicts/test_criteria.py", "test_limits_at_their_edges.py", "verdicts/test_verdicts.py"],
    "units/fasteners.py": ["units", "fit/test_tightening_edges.py"],
    "units/scales.py": ["test_tables.py"],
    "measure/limits.py": ["measure/test_limits.py", "measure/test_judgement.py"],
    "measure/limit.py": ["measure/test_limits.py"],
    "units/constants.py": ["units"],
    "units/kinds.py": ["units"],
    "units/preference.py": ["units"],
}

#: Faults a person makes: a sign, an edge, a turned comparison, a figure one off, a condition the wrong way round. Not
#: each of the ten other operators for every one, and none in what only a type checker reads.
NOT_MADE = [
    r"core/ReplaceBinaryOperator_(?!Add_Sub|Sub_Add|Mul_Div|Div_Mul|Pow_Mul|FloorDiv_Div|Mod_Add|BitAnd_BitOr)\w+",
    r"core/ReplaceComparisonOperator_(?!Lt_LtE|LtE_Lt|Gt_GtE|GtE_Gt|Lt_GtE|LtE_Gt|Gt_LtE|GtE_Lt|Eq_NotEq|NotEq_Eq|Is_IsNot"
    r"|IsNot_Is|In_NotIn|NotIn_In)\w+",
    r"core/ReplaceUnaryOperator_(?!USub_UAdd|Delete_Not|Delete_USub)\w+",
    r"core/RemoveDecorator",
]

CONFIG = """[cosmic-ray]
module-path = "liftbite/core/{module}"
timeout = 60.0
excluded-modules = []
test-command = "{python} -m pytest -x -q -p no:cacheprovider {tests}"

[cosmic-ray.distributor]
name = "local"

[cosmic-ray.filters.operators-filter]
exclude-operators = {not_made}
"""


class NotTried(Exception):
    """A module whose faults could not be tried, such as one whose tests fail without any."""


@dataclass(frozen=True, slots=True)
class Mutant:
    """One fault: where, the line as it was and as it became, and what became of it."""

    module: str
    row: int
    was: str
    became: str
    outcome: str


def mutants_of(module: str, copy: Path) -> list[Mutant]:
    """Every fault in one module, each tried in a copy of the project."""
    name = module.replace("/", "-").removesuffix(".py")
    config, session = copy / f"{name}.toml", copy / f"{name}.sqlite"
    tests = " ".join(f"tests/core/{each}" for each in HELD_BY[module])
    config.write_text(CONFIG.format(module=module, python=sys.executable, tests=tests, not_made=json.dumps(NOT_MADE)))
    # without compiled files of a mutant: the next one may have the same size within the same second
    here = {**os.environ, "PYTHONDONTWRITEBYTECODE": "1", "PYTEST_DISABLE_PLUGIN_AUTOLOAD": "1"}
    for command in (
        ["cosmic-ray", "init", config, session],
        ["cr-filter-operators", session, config],
        ["cosmic-ray", "baseline", config],
        ["cosmic-ray", "exec", config, session],
    ):
        done = subprocess.run(
            [BIN / command[0], *command[1:]], cwd=copy, env=here, capture_output=True, text=True, check=False
        )
        if done.returncode != 0:
            raise NotTried(f"{module}: {command[0]} {command[1]} ended with {done.returncode}\n{done.stdout[-2000:]}")
    with use_db(session, WorkDB.Mode.open) as db:
        return list(_read(module, db))


def _read(module: str, db: WorkDB) -> Iterator[Mutant]:
    items = {item.job_id: item for item in db.work_items}
    for job_id, result in db.results:
        if result.worker_outcome.value == "skipped":
            continue
        lines = [line for line in (result.diff or "").splitlines() if line[:3] not in ("---", "+++")]
        was = " ".join(line[1:].strip() for line in lines if line.startswith("-"))
        became = " ".join(line[1:].strip() for line in lines if line.startswith("+"))
        outcome = result.test_outcome.value if result.test_outcome else result.worker_outcome.value
        yield Mutant(module, items[job_id].mutations[0].start_pos[0], was, became, outcome)


def copies(count: int, folder: Path) -> SimpleQueue[Path]:
    """Copies of the project to put faults into, with what Python compiles of it once."""
    queue: SimpleQueue[Path] = SimpleQueue()
    for number in range(count):
        copy = folder / str(number)
        for name in ("liftbite", "tests"):
            shutil.copytree(ROOT / name, copy / name, ignore=shutil.ignore_patterns("__pycache__"))
        shutil.copy(ROOT / "pytest.ini", copy)
        here = {k: v for k, v in os.environ.items() if k != "PYTHONDONTWRITEBYTECODE"}
        tests = sorted({f"tests/core/{each}" for held in HELD_BY.values() for each in held})
        subprocess.run(
            [sys.executable, "-m", "pytest", "-q", "--co", *tests],
            cwd=copy,
            env=here,
            check=True,
            stdout=subprocess.DEVNULL,
        )
        queue.put(copy)
    return queue


def _same(mutant: Mutant, known: Set[tuple[str, str, str]]) -> bool:
    """True where nobody could see the fault: as listed, or how a class is kept (`frozen`, `slots`)."""
    return mutant.was.startswith("@dataclass(") or (mutant.module, mutant.was, mutant.became) in known


def main(words: Sequence[str]) -> int:
    """Tries the faults, prints what lived, and ends with 1 where fewer than nine of ten were noticed."""
    equivalent = json.loads((Path(__file__).parent / "equivalent.json").read_text("utf-8"))
    known = {(row["module"], row["was"], row["became"]) for row in equivalent}
    modules = [m for m in HELD_BY if not words or any(word in m for word in words)]
    processors = min(os.cpu_count() or 1, len(modules))
    began, every, missed = time.monotonic(), [], 0
    with tempfile.TemporaryDirectory() as folder, ThreadPoolExecutor(processors) as pool:
        free = copies(processors, Path(folder))

        def tried(module: str) -> list[Mutant]:
            copy = free.get()
            try:
                return mutants_of(module, copy)
            finally:
                free.put(copy)

        for done in as_completed([pool.submit(tried, module) for module in modules]):
            try:
                found = done.result()
            except NotTried as error:
                missed += 1
                print(error, flush=True)
                continue
            every += found
            _tell(found, known)
    lived = [m for m in every if m.outcome == "survived"]
    same = [m for m in lived if _same(m, known)]
    score = (len(every) - len(lived)) / max(len(every) - len(same), 1)
    print(
        f"{len(every)} faults, {len(every) - len(lived)} noticed, {len(same)} equivalent: {score:.1%} "
        f"in {(time.monotonic() - began) / 60:.0f} min"
    )
    return 0 if score > 0.9 and not missed else 1


def _tell(found: Sequence[Mutant], known: Set[tuple[str, str, str]]) -> None:
    """Prints what became of the faults of a module, and every one that lived."""
    lived = [m for m in found if m.outcome == "survived"]
    same = [m for m in lived if _same(m, known)]
    head = f"{found[0].module}: " if found else ""
    print(f"{head}{len(found) - len(lived)} of {len(found)} noticed, {len(same)} of the rest equivalent", flush=True)
    for m in sorted((m for m in lived if m not in same), key=lambda m: m.row):
        print(f"  {m.row}: {m.was}\n    -> {m.became}", flush=True)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
