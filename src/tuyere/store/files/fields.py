"""A record between a row and its fields in a file; what each field may be, which is also the format's JSON Schema."""

from __future__ import annotations

import base64
import json
import uuid
from collections.abc import Mapping
from datetime import UTC, date, datetime
from functools import cache
from typing import Annotated, Any

import sqlalchemy as sa
from pydantic import (
    AwareDatetime,
    Base64Bytes,
    BaseModel,
    ConfigDict,
    Field,
    FiniteFloat,
    JsonValue,
    StringConstraints,
    create_model,
)
from sqlmodel.sql.sqltypes import AutoString

from tuyere.exchange.record_file import FORMAT, VERSION
from tuyere.store.files.kinds import KINDS, Kind

INT4 = 2**31 - 1
OF = "of"


def field_of(value: Any) -> JsonValue:
    """A column's value as it stands in a file: times in UTC, bytes as base64."""
    if isinstance(value, uuid.UUID):
        return str(value)
    if isinstance(value, datetime):
        return value.astimezone(UTC).isoformat()
    if isinstance(value, date):
        return value.isoformat()
    if isinstance(value, bytes):
        return base64.b64encode(value).decode()
    return value  # type: ignore[no-any-return]


def record_of(
    kind: Kind, row: Mapping[str, Any], carried: Mapping[str, JsonValue] | None = None
) -> dict[str, JsonValue]:
    """A row's fields for a file; ``carried`` are those that an earlier file brought and this program does not know."""
    known = {OF: kind.name} | {c: field_of(row[c]) for c in kind.columns}
    return known | dict(carried or {})


class RecordModel(BaseModel):
    """What every record has; fields that are not known are kept."""

    model_config = ConfigDict(extra="allow")


def _python_type(column: sa.Column[Any], annotation: Any) -> Any:
    """What a field of a column may be, with its bounds."""
    kind, made = column.type, annotation
    if isinstance(kind, sa.Uuid):
        made = uuid.UUID
    elif isinstance(kind, sa.DateTime):
        made = AwareDatetime
    elif isinstance(kind, sa.Date):
        made = date
    elif isinstance(kind, sa.LargeBinary):
        made = Base64Bytes
    elif isinstance(kind, sa.Boolean):
        made = bool
    elif isinstance(kind, sa.Float):
        made = FiniteFloat
    elif isinstance(kind, sa.Integer):
        made = Annotated[int, Field(ge=-INT4, le=INT4)]
    elif isinstance(kind, sa.String | AutoString):
        length = kind.length if isinstance(kind, sa.String) else getattr(kind.impl, "length", None)
        made = Annotated[str, StringConstraints(max_length=length, pattern=r"^[^\x00]*$")]
    else:  # JSON: as the table says it
        return annotation
    return made | None if column.nullable else made


@cache
def model_of(kind: Kind) -> type[RecordModel]:
    """The fields of a kind of record; a field that has no default must be there."""
    fields: dict[str, Any] = {}
    for name in kind.columns:
        info = kind.table.model_fields[name]
        column = kind.table.__table__.columns[name]  # type: ignore[attr-defined]
        made = _python_type(column, info.annotation)
        needed = info.is_required() or name in ("id", "created_at")
        if needed:
            fields[name] = (made, Field(...))
        elif info.default_factory is not None:
            fields[name] = (made, Field(default_factory=info.default_factory))
        else:
            fields[name] = (made, Field(default=info.default))
    return create_model(f"{kind.table.__name__}Record", __base__=RecordModel, __doc__=kind.table.__doc__, **fields)


def row_of(kind: Kind, fields: Mapping[str, Any]) -> tuple[dict[str, Any], dict[str, JsonValue]]:
    """A record's fields as a row and what is carried besides; raises pydantic's ValidationError."""
    # As JSON, strictly: "5" is no number and true is no figure, but an id and a date are texts.
    text = json.dumps({k: v for k, v in fields.items() if k != OF})
    model = model_of(kind).model_validate_json(text, strict=True)
    row = {c: getattr(model, c) for c in kind.columns}
    return row, dict(model.model_extra or {})


def schema() -> dict[str, Any]:
    """The format as JSON Schema (draft 2020-12)."""
    records, defs = [], {}
    for kind in KINDS:
        own = model_of(kind).model_json_schema(mode="validation", ref_template="#/$defs/{model}")
        defs.update(own.pop("$defs", {}))
        own["properties"] = {OF: {"const": kind.name}, **own["properties"]}
        own["required"] = [OF, *own.get("required", [])]
        own["additionalProperties"] = True
        own["description"] = f"{kind.words}: {(kind.table.__doc__ or '').split(chr(10))[0]}"
        defs[kind.name] = own
        records.append({"$ref": f"#/$defs/{kind.name}"})
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": FORMAT,
        "description": "The record of a shop, a machine or a drive. Lengths in mm, power in kW, speed in rpm, force in N; times "
        "in UTC. A record stands after those it points at, but for the columns that point further down (README.md).",
        "type": "object",
        "required": ["format", "version", "records"],
        "properties": {
            "format": {"const": FORMAT},
            "version": {"const": VERSION},
            "scope": {"enum": ["shop", "machine", "drive"]},
            "records": {"type": "array", "items": {"oneOf": records}},
        },
        "additionalProperties": True,
        "$defs": defs,
    }


if __name__ == "__main__":
    print(json.dumps(schema(), indent=1, ensure_ascii=False))
