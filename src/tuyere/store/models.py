"""Every table, imported once so that the metadata is whole."""

from tuyere.store.builds import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.duties import Duty, Shaft
from tuyere.store.machines import Drive, EnergySource, Machine
from tuyere.store.operations import Operation
from tuyere.store.ratings import RatingItem
from tuyere.store.stock import StockItem

__all__ = [
    "Build",
    "CalcRecord",
    "Drive",
    "Duty",
    "Element",
    "EnergySource",
    "Loop",
    "Machine",
    "Member",
    "Operation",
    "RouteStop",
    "Shaft",
    "RatingItem",
    "StockItem",
]
