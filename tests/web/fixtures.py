"""Answers of the server for the mounted tests of the pages, made by the server itself.

`pytest tests/web/test_fixtures.py` holds the committed files against fresh ones; with TUYERE_FIXTURES=write it writes them.
"""

from __future__ import annotations

import re
from dataclasses import asdict
from math import cos, radians, sin
from pathlib import Path
from typing import Any

import numpy as np
from flask.testing import FlaskClient

from tests.core.drive.routes import ring, wheel
from tuyere.calc.registry import CALCULATIONS
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.path import solve_route
from tuyere.core.drive.route import Route, Stop

FOLDER = Path(__file__).parents[2] / "frontend" / "tests" / "fixtures"
MACHINE, DRIVE, BUILD = (f"0000000{n}-0000-4000-8000-000000000000" for n in (1, 2, 3))
UUID = re.compile(r"^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$")
MOMENT = re.compile(r"^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d.*$")
DUTY = {
    "power": "15hp",
    "driver_speed": "1750",
    "driven_speed": "1005",
    "centre": "34 in",
    "service_factor": {"driver": "motor-nema-b", "machine": "generator", "hours_a_day": 16},
}


def scrubbed(value: Any) -> Any:
    """Moments and the names the server gives are what differs from run to run."""
    if isinstance(value, dict):
        return {k: scrubbed(v) for k, v in value.items()}
    if isinstance(value, list):
        return [scrubbed(v) for v in value]
    if not isinstance(value, str):
        return value
    if UUID.match(value) and value not in (MACHINE, DRIVE, BUILD):
        return "00000009-0000-4000-8000-000000000000"
    return "2026-11-25T12:00:00Z" if MOMENT.match(value) else value


def rounded(value: Any) -> Any:
    """Lengths of a drawing to the hundredth of a millimetre: the file stays small."""
    if isinstance(value, dict):
        return {k: rounded(v) for k, v in value.items()}
    if isinstance(value, list | tuple):
        return [rounded(v) for v in value]
    return round(value, 2) if isinstance(value, float) else value


def leaning(seed: int) -> Route:
    """Two wheels at any angle, from level to upright and back, their sizes and centres at random."""
    rng = np.random.default_rng(seed)
    small, ratio, apart, turn = rng.uniform(80, 300), rng.uniform(1, 4), rng.uniform(1.15, 4), 15.0 * seed
    at = (small + small * ratio) / 2 * apart
    x, y = at * cos(radians(turn)), at * sin(radians(turn))
    one, two = wheel("driver", "driver", small), wheel("driven", "driven", small * ratio, x, y)
    return Route(stops=(Stop(wheel=one), Stop(wheel=two)), clockwise=seed % 2 == 0)


def elevations() -> list[Any]:
    """Random drives of two to six wheels as the core draws them."""
    routes = [leaning(seed) for seed in range(24)] + [ring(n, seed) for n in (3, 4, 5, 6) for seed in range(6)]
    return [rounded(asdict(elevation_of(solve_route(r, None), "v-belt", thickness_mm=11.0))) for r in routes]


def carded(client: FlaskClient, line: dict[str, Any]) -> dict[str, Any]:
    """A card as the bench is given it, and what its example is answered; the way there and most of a drawing left out."""
    answer = client.post(f"/api/calc/{line['name']}", json=line["example"]).json | {"working": [], "elevation": None}
    drawing = answer["result"].get("picture")
    if drawing:
        drawing["items"] = drawing["items"][:4]
    return {"line": line, "answer": answer}


def fixtures(client: FlaskClient) -> dict[str, Any]:
    """Name of the file: what it holds."""
    by = {"created_by_name": "N. Dray", "units": "us"}
    client.post(
        "/api/machines",
        json={"id": MACHINE, "name": "Fixture fan", "tag": "FX-1", "same_name": True, "created_by_name": "N. Dray"},
    )
    client.post(
        f"/api/machines/{MACHINE}/drives", json={"id": DRIVE, "name": "Main drive", "created_by_name": "N. Dray"}
    )
    client.put(f"/api/drives/{DRIVE}/duty", json=DUTY | by)
    example = CALCULATIONS["v-belt-drive"].example["input"] | {"belt": {"designation": "B90", "count": 4}}
    client.post(
        f"/api/drives/{DRIVE}/builds",
        json={"id": BUILD, "purpose": "fitted", "freeze": True, "family": "v-belt", "input": example, **by},
    )
    drive = client.get(f"/api/drives/{DRIVE}?units=us").json
    given = drive["builds"][0]["input"]

    def refit(typed: str) -> dict[str, Any]:
        change = {"calc": "v-belt-drive", "input": given, "path": "centre_distance", "typed": typed}
        return {"units": "us", "input": change}

    compare = {
        **{k: DUTY[k] for k in ("power", "driver_speed", "driven_speed")},
        "centre": {"about": "34 in"},
        "keep": 2,
    }
    lines = {c["name"]: c for c in client.get("/api/calc").json["calculations"]}
    return {
        "drive": scrubbed(drive),
        "answer": client.post("/api/calc/v-belt-drive", json={"units": "us", "input": given}).json,
        "refusal": client.post(
            "/api/calc/v-belt-drive", json={"units": "us", "input": given | {"power": "15 in"}}
        ).json,
        "refit": client.post("/api/calc/drive-refit", json=refit("38")).json,
        "nothing_fits": client.post("/api/calc/drive-refit", json=refit("300 in")).json,
        "compare": client.post("/api/calc/drive-compare", json={"units": "us", "input": compare}).json,
        "elevations": elevations(),
        "families": client.get("/api/families").json,
        "choices": client.get("/api/choices").json,
        "speed_calculations": {
            "calculations": [
                lines[n] for n in ("pulley-for-speed", "adjustable-sheave", "step-pulleys", "retrofit", "drive-stages")
            ]
        },
        "cards": [carded(client, line) for line in lines.values() if line["card"]],
        "calculations": {"calculations": [lines[n] for n in ("belt-length", "chain-drive", "v-belt-drive")]},
    }
