"""Every table, imported once so that the metadata is whole."""

from tuyere.store.builds.tables import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.drives.tables import Duty, Shaft, ShaftLoad
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.plumbing.operations import Operation
from tuyere.store.shelf.tables import RatingItem, StockItem

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
    "ShaftLoad",
    "RatingItem",
    "StockItem",
]
