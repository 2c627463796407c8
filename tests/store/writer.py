"""Writes to a shop without end, every kind of write in turn, and says each one once it is acknowledged.

Run as a program by `test_crash`, which kills it. A line is: kind, job, and what has to be found there.
"""

from __future__ import annotations

import itertools
import sys
from pathlib import Path

from liftbite.api.app import create_app

READING = {"check": "plate_thickness", "unit": "mm", "instrument": "caliper"}


def main(shop: str) -> None:
    client = create_app(Path(shop)).test_client()

    def say(*words: object) -> None:
        print(*words, flush=True)

    say("ready")
    for turn in itertools.count():
        made = client.post("/api/jobs", json={"layout": "wet_motorcycle", "name": f"n{turn}", "vehicle": f"v{turn}"})
        job = made.get_json()["id"]
        say("job", job, f"n{turn}")
        entry = {"entries": [{"quantity": "notes", "typed": f"note {turn}"}]}
        if client.post(f"/api/jobs/{job}/entries", json=entry, headers={"If-Match": '"1"'}).status_code == 200:
            say("entry", job, f"note {turn}")
        for place in (1, 2, 3):
            typed = f"2.{turn % 90 + 10}"
            body = READING | {"place": f"Plate 1, place {place}", "typed": typed, "request": f"r{turn}-{place}"}
            if client.post(f"/api/jobs/{job}/readings", json=body).status_code == 200:
                say("reading", job, f"r{turn}-{place}")
        file = client.get(f"/api/jobs/{job}/file").data
        brought = client.post("/api/jobs/file?again=true", data=file)
        if brought.status_code == 201:
            say("import", brought.get_json()["id"], 3)
        change = client.get(f"/api/jobs/{job}").get_json()["change"]
        away = client.put(f"/api/jobs/{job}/archived", json={"archived": True}, headers={"If-Match": f'"{change}"'})
        if away.status_code == 200:
            say("archived", job, 1)
        part = client.post("/api/shelf", json={"slot": "cover", "name": f"c{turn}", "values": {"cover_clamp": "8 kN"}})
        if part.status_code == 201:
            say("part", part.get_json()["id"], f"c{turn}")


if __name__ == "__main__":
    main(sys.argv[1])
