"""Load factor of a synchronous belt from the common conditions."""

from __future__ import annotations

from tuyere.core.duty.service import Conditions, with_choking
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import axis, table

CLASS_OF_LOAD = {"light": 4, "medium": 5, "heavy": 7, "extra heavy": 9}


def sync_factor(c: Conditions) -> float:
    """Load factor K0 by machine, driver and hours. Source: ISO 5295 / RMA IP-24; unlisted machines by their load class."""
    listed = table("sync_machines").select(machine=c.machine) if c.machine else []
    kind = int(listed[0][1]) if listed else CLASS_OF_LOAD[c.load]
    if c.machine and not listed:
        notice(
            "caution",
            "judged",
            f"The machine is not on the synchronous list: class {kind} is taken for its {c.load} load.",
            "machine",
        )
    t = table("sync_service")
    row = t.row(**{"class": kind, "driver": "II" if c.torque == "high torque" else "I"})
    return with_choking(looked_up("K_list", row[c.hours_band], t.id, t.source_of()), c.chokes)


def speed_up_addition(ratio: float) -> float:
    """Added where the driven shaft is the faster one; ``ratio`` is driven over driver speed. Source: ISO 5295."""
    t = table("sync_additions")
    value = float(axis(t, "from", "add").at(max(ratio, 1.0), "driven_teeth"))
    return looked_up("K_up", value, t.id, t.source_of())


def idler_addition(idler: str) -> float:
    """Added for an idler. Raises InputError for an unknown place. Source: GB/T 11362."""
    t = table("sync_idlers")
    rows = t.select(idler=idler)
    if not rows:
        raise InputError("idler", idler, "not in the table", ", ".join(str(x) for x in t.column("idler")))
    return looked_up("K_idl", rows[0][1], t.id, t.source_of())
