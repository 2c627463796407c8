"""Photos: brought, looked at, taken off; kept small and plain; on sheet and hand-over; out and in with the archive."""

from __future__ import annotations

import io
import zipfile
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from PIL import Image

from tests.api.jobs.test_views import begin
from tests.files.test_photo import noise, saved


def picture(form: str = "JPEG", size: tuple[int, int] = (320, 200), colour: str = "grey", **how: Any) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", size, colour).save(out, form, **how)
    return out.getvalue()


def bring(client: FlaskClient, job: dict[str, Any], data: bytes, of: str = "job", **more: str) -> Any:
    return client.post(
        f"/api/jobs/{job['id']}/photos", data=data, query_string={"of": of} | more, headers={"Person": "Bran Tilley"}
    )


def test_a_photo_of_a_step_is_kept_shown_and_taken_off(client: FlaskClient) -> None:
    job = begin(client)
    (photo,) = bring(client, job, picture("PNG"), "step:disc_in", words="long hub to the gearbox").get_json()["photos"]
    assert (photo["label"], photo["who"], photo["width"], photo["here"]) == (
        client.get(f"/api/jobs/{job['id']}/photos").get_json()["photos"][0]["label"],
        "Bran Tilley",
        320,
        True,
    )
    jpeg = client.get(f"/api/jobs/{job['id']}/photos/{photo['digest']}.jpg")
    assert (jpeg.status_code, jpeg.content_type) == (200, "image/jpeg")
    assert Image.open(io.BytesIO(jpeg.data)).size == (320, 200)
    small = client.get(f"/api/jobs/{job['id']}/photos/{photo['digest']}.jpg?small=true")
    assert max(Image.open(io.BytesIO(small.data)).size) <= 480
    off = client.put(f"/api/jobs/{job['id']}/photos/{photo['digest']}", json={"off": True})
    assert off.get_json()["photos"] == []
    again = client.put(f"/api/jobs/{job['id']}/photos/{photo['digest']}", json={"of": "job"})
    assert again.status_code == 404


def test_the_same_photo_counts_once_and_may_be_of_something_else(client: FlaskClient) -> None:
    job = begin(client)
    for _ in range(2):
        assert len(bring(client, job, picture()).get_json()["photos"]) == 1
    (photo,) = bring(client, job, picture(), "check:rivet_depth").get_json()["photos"]
    assert photo["of"] == "check:rivet_depth"
    assert photo["label"] == "Disc: rivet depth" or "ivet" in photo["label"]


def test_a_job_shows_no_photo_of_another(client: FlaskClient) -> None:
    job, other = begin(client), begin(client)
    (photo,) = bring(client, job, picture()).get_json()["photos"]
    assert client.get(f"/api/jobs/{other['id']}/photos/{photo['digest']}.jpg").status_code == 404
    assert client.put(f"/api/jobs/{other['id']}/photos/{photo['digest']}", json={"of": "job"}).status_code == 404
    assert client.get(f"/api/jobs/99/photos/{photo['digest']}.jpg").status_code == 404
    assert bring(client, {"id": 99}, picture()).status_code == 404


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "no picture"),
        (b"GIF89a", "no picture"),
        (b"%PDF-1.7", "no picture"),
        (picture()[:400], "damaged"),
        (b"\xff\xd8\xff\xe0" + b"\0" * 40, "picture"),
    ],
)
def test_what_is_no_picture_is_refused_in_a_sentence(client: FlaskClient, data: bytes, says: str) -> None:
    job = begin(client)
    answer = bring(client, job, data)
    assert answer.status_code == 422
    assert says in answer.get_json()["detail"]
    assert client.get(f"/api/jobs/{job['id']}/photos").get_json()["photos"] == []


@pytest.mark.parametrize("of", ["", "nothing", "step:", "check:a\nb"])
def test_a_photo_has_to_be_of_something(client: FlaskClient, of: str) -> None:
    assert bring(client, begin(client), picture(), of).status_code == 422


def test_a_photo_said_of_without_its_picture_is_refused(client: FlaskClient) -> None:
    job = begin(client)
    said = {"kind": "photo", "key": "a" * 64, "said": {"answer": "kept", "of": "job"}}
    assert client.post(f"/api/jobs/{job['id']}/record", json=said).status_code == 422


def test_sheet_and_hand_over_show_them(client: FlaskClient) -> None:
    job = begin(client)
    bring(client, job, picture(), words="blue spots at four places")
    for document in ("sheet.html", "handover.html"):
        html = client.get(f"/api/jobs/{job['id']}/{document}").get_data(as_text=True)
        assert "blue spots at four places" in html
        assert "data:image/jpeg;base64," in html


def test_they_go_out_with_the_archive_and_come_back_to_their_job(client: FlaskClient) -> None:
    job = begin(client)
    (photo,) = bring(client, job, picture(size=(900, 700)), "bag:3").get_json()["photos"]
    packed = client.get("/api/archive").data
    file = client.get(f"/api/jobs/{job['id']}/file").data.replace(b"Test coup", b"Best coup")
    sessions = client.application.extensions["liftbite.sessions"]
    from liftbite.store.database import writing
    from liftbite.store.models import PhotoRow

    with writing(sessions) as session:
        session.delete(session.get(PhotoRow, photo["digest"]))
    back = client.post("/api/jobs/file?again=true", data=file).get_json()
    (named,) = client.get(f"/api/jobs/{back['id']}/photos").get_json()["photos"]
    assert (named["here"], named["label"]) == (False, "Bag 3")
    assert client.post("/api/archive", data=packed).get_json()["photos"] == 1
    (there,) = client.get(f"/api/jobs/{back['id']}/photos").get_json()["photos"]
    assert there["here"]
    assert client.post("/api/archive", data=packed).get_json()["photos"] == 0


def test_a_plate_is_erased_from_the_photo_the_file_and_what_goes_out(client: FlaskClient, tmp_path: Path) -> None:
    """Covered, with the bytes of before gone from the file and from copies to come, and who did it said."""
    job = begin(client)
    (photo,) = bring(client, job, saved(noise(320, 200), "PNG"), words="plate KV 1 40").get_json()["photos"]
    path = f"/api/jobs/{job['id']}/photos/{photo['digest']}"
    before = client.get(f"{path}.jpg").data
    older = client.get("/api/archive").data
    box = {"left": 0.2, "top": 0.2, "right": 0.6, "bottom": 0.6}
    nobody = client.post(f"{path}/erased", json={"boxes": [box], "reason": "the customer asked"})
    assert nobody.status_code == 422
    assert "who erases it" in nobody.get_json()["detail"]
    told = client.post(f"{path}/erased", json={"boxes": [box], "reason": "the customer asked", "who": "Nell"})
    (left,) = told.get_json()["photos"]
    assert left["digest"] != photo["digest"]
    assert client.get(f"{path}.jpg").status_code == 404
    assert client.get(f"/api/jobs/{job['id']}/photos/{left['digest']}.jpg").status_code == 200
    shop = client.application.extensions["liftbite.sessions"].kw["info"]["opened"][0]
    from liftbite.store.backups import back_up

    whole = b"".join(p.read_bytes() for p in (shop, shop.with_name(f"{shop.name}-wal")) if p.exists())
    copy = back_up(shop, tmp_path / "copy.sqlite").path.read_bytes()
    for held in (whole, copy, client.get("/api/archive").data):
        assert not any(before[at : at + 64] in held for at in range(700, len(before) - 64, 500))
        assert b"KV 1 40" not in held
    record = client.get(f"/api/jobs/{job['id']}/file").get_json()["bench"]["record"]
    assert ["erased", "the customer asked", "Nell"] in [
        [line["said"]["answer"], line["said"].get("reason"), line.get("who")] for line in record
    ]
    assert client.post("/api/archive", data=older).get_json()["photos"] == 0, "an archive of before brings it not back"
    assert client.get(f"{path}.jpg").status_code == 404


def test_a_whole_photo_is_erased_from_every_job_that_has_it(client: FlaskClient) -> None:
    first, second = begin(client), begin(client)
    for job in (first, second):
        (photo,) = bring(client, job, picture()).get_json()["photos"]
    path = f"/api/jobs/{first['id']}/photos/{photo['digest']}"
    assert client.post(f"{path}/erased", json={"reason": "a face", "who": "Nell"}).get_json()["photos"] == []
    assert client.get(f"/api/jobs/{second['id']}/photos").get_json()["photos"] == []
    assert client.post(f"{path}/erased", json={"reason": "a face", "who": "Nell"}).status_code == 404


def test_a_photo_of_no_job_does_not_come_in(client: FlaskClient, tmp_path: Path) -> None:
    job = begin(client)
    bring(client, job, picture())
    packed = client.get("/api/archive").data
    with zipfile.ZipFile(io.BytesIO(packed)) as archive:
        photo = next(name for name in archive.namelist() if name.endswith(".jpg"))
        alone = io.BytesIO()
        with zipfile.ZipFile(alone, "w") as other:
            other.writestr(f"photos/{'5a' * 32}.jpg", archive.read(photo))
    told = client.post("/api/archive", data=alone.getvalue()).get_json()
    assert (told["photos"], told["faults"]) == (0, [])
