"""Write the OpenAPI document that the front end's types are made from: python -m tuyere.ops.openapi"""

from __future__ import annotations

import json

from sqlalchemy import create_engine

from tuyere.ops.setup import ROOT


def document() -> str:
    """The document as committed; no database is asked."""
    from tuyere.web.app import create_app

    app = create_app(create_engine("postgresql+psycopg://nobody@127.0.0.1:1/none"), ROOT / "no-pages")
    return json.dumps(app.api_doc, indent=1, sort_keys=True, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    (ROOT / "openapi.json").write_text(document(), "utf-8")
