"""What the pages are tested with is what the server says today."""

from __future__ import annotations

import json
import os

from flask.testing import FlaskClient

from tests.web.fixtures import FOLDER, fixtures


def test_the_pages_are_tested_with_what_the_server_says(client: FlaskClient) -> None:
    for name, fresh in fixtures(client).items():
        file = FOLDER / f"{name}.json"
        if os.environ.get("TUYERE_FIXTURES") == "write":
            FOLDER.mkdir(exist_ok=True)
            file.write_text(
                json.dumps(
                    fresh, indent=None if name in ("elevations", "cards") else 1, ensure_ascii=False, sort_keys=True
                )
                + "\n",
                "utf-8",
            )
        assert json.loads(file.read_text("utf-8")) == fresh, (
            f"{name}: TUYERE_FIXTURES=write pytest tests/web/test_fixtures.py"
        )
