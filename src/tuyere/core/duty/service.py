"""Service factor: how hard the driver and the driven machine are on a drive, and for how long."""

from __future__ import annotations

from dataclasses import dataclass

from numpy import maximum

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import Num, formula, looked_up, mark
from tuyere.core.tables import declare, table

declare("tuyere.core.duty", "service_factors", "drivers", "driven_machines")
CHOKING_LEAST = 2.0


@formula("K_s", PRACTICE)
def choking_factor(K_list: Num, K_choke: Num) -> Num:
    """A machine that can choke stalls its drive at full torque: at least 2.0."""
    return maximum(K_list, K_choke)


@dataclass(frozen=True, slots=True)
class ServiceFactor:
    """The factor and what decided it."""

    factor: float
    torque: str
    machine_class: str
    hours_band: str
    chokes: bool


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


def service_factor(driver: str, machine: str, hours_a_day: float, chokes: bool | None = None) -> ServiceFactor:
    """Service factor from keys of the driver and machine tables; ``chokes`` None takes the table's word.

    Raises InputError for an unknown key or hours outside 0..24. Source: ANSI/RMA IP-20.
    """
    how, what = _row("drivers", driver, "driver"), _row("driven_machines", machine, "machine")
    band = hours_band(hours_a_day)
    factors = table("service_factors")
    row = factors.row(driver=how["torque"], machine=what["class"])
    listed = looked_up("K_list", row[band], factors.id, factors.source_of(str(what["confidence"])))
    can_choke = bool(what["chokes"]) if chokes is None else chokes
    factor = float(mark("factor", choking_factor(listed, CHOKING_LEAST if can_choke else 0.0)))
    if what["confidence"] == "low":
        notice(
            "caution",
            "judged",
            f"{what['machine']} is not in the published list: its class ({what['class']}) is judged by analogy.",
            "machine",
        )
    if driver == "motor-dol":
        notice("info", "start-decides", "The start decides: straight on the line counts as high torque.", "driver")
    if can_choke and factor > listed:
        notice("info", "chokes", "It can choke, so at least 2.0 is taken (common practice).", "machine")
    return ServiceFactor(factor, str(how["torque"]), str(what["class"]), band, can_choke)
