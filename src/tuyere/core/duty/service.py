"""Service conditions: how hard the driver and the driven machine are on a drive, and for how long.

The conditions are common to the families; each family has its own factor for them. The association's
factor, which the V-belts use, stands here too, because other tables lean on it.
"""

from __future__ import annotations

from dataclasses import dataclass

from numpy import maximum

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import Num, formula, looked_up
from tuyere.core.tables import declare, table

declare(
    "tuyere.core.duty",
    (
        "service_factors",
        "drivers",
        "driven_machines",
    ),
)
CHOKING_LEAST = 2.0


@formula("K_s", PRACTICE)
def choking_factor(K_list: Num, K_choke: Num) -> Num:
    """A machine that can choke stalls its drive at full torque: at least 2.0."""
    return maximum(K_list, K_choke)


LOADS = ("light", "medium", "heavy", "extra heavy")


@dataclass(frozen=True, slots=True, kw_only=True)
class Conditions:
    """What a service factor follows from. ``machine`` is None where only the load class was given."""

    driver: str
    torque: str
    machine: str | None
    load: str
    hours_a_day: float
    hours_band: str
    chokes: bool
    confidence: str


def hours_band(hours_a_day: float) -> str:
    """To 5 hours intermittent, to 10 normal, above continuous; raises InputError outside 0..24."""
    if not 0 < hours_a_day <= 24:
        raise InputError("hours_a_day", hours_a_day, "a day has 24 hours", "over 0 to 24 h")
    return "intermittent" if hours_a_day <= 5 else "normal" if hours_a_day <= 10 else "continuous"


def _row(name: str, key: str, field: str) -> dict[str, object]:
    try:
        return table(name).row(key=key)
    except KeyError as e:
        raise InputError(
            field, key, "not in the list", f"one of {len(table(name).rows)} keys of the handbook table"
        ) from e


def conditions(
    driver: str, machine: str | None, hours_a_day: float, chokes: bool | None = None, load: str | None = None
) -> Conditions:
    """Conditions from keys of the driver and machine tables, or from a load class where no machine fits.

    ``chokes`` None takes the table's word. Raises InputError for an unknown key, for both or neither of
    machine and load, and for hours outside 0..24.
    """
    how = _row("drivers", driver, "driver")
    band = hours_band(hours_a_day)
    if (machine is None) == (load is None):
        raise InputError("machine", machine, "give the driven machine or how it runs", "exactly one of the two")
    if machine is None:
        assert load is not None
        if load not in LOADS:
            raise InputError("load", load, "not a load class", ", ".join(LOADS))
        return Conditions(
            driver=driver,
            torque=str(how["torque"]),
            machine=None,
            load=load,
            hours_a_day=hours_a_day,
            hours_band=band,
            chokes=bool(chokes),
            confidence="high",
        )
    what = _row("driven_machines", machine, "machine")
    if what["confidence"] == "low":
        notice(
            "caution",
            "judged",
            f"{what['machine']} is not in the published list: its class ({what['class']}) is judged by analogy.",
            "machine",
        )
    can_choke = bool(what["chokes"]) if chokes is None else chokes
    return Conditions(
        driver=driver,
        torque=str(how["torque"]),
        machine=machine,
        load=str(what["class"]),
        hours_a_day=hours_a_day,
        hours_band=band,
        chokes=can_choke,
        confidence=str(what["confidence"]),
    )


def with_choking(listed: Num, chokes: bool) -> float:
    """The listed factor, at least 2.0 for a machine that can choke; says so. Source: common practice."""
    if not chokes:
        return listed
    factor = choking_factor(listed, CHOKING_LEAST)
    if factor > listed:
        notice("info", "chokes", "It can choke, so at least 2.0 is taken (common practice).", "machine")
    return factor


def association_factor(c: Conditions) -> float:
    """The association's factor, for V-belts. Source: ANSI/RMA IP-20."""
    factors = table("service_factors")
    row = factors.row(driver=c.torque, machine=c.load)
    listed = looked_up("K_list", row[c.hours_band], factors.id, factors.source_of(c.confidence))
    if c.driver == "motor-dol":
        notice("info", "start-decides", "The start decides: straight on the line counts as high torque.", "driver")
    return with_choking(listed, c.chokes)
