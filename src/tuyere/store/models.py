"""Every table, imported once so that the metadata is whole."""

from tuyere.store.builds.tables import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.drives.tables import Duty, Ends, Shaft, ShaftLoad
from tuyere.store.files.tables import Carried
from tuyere.store.jobs.tables import Due, Finding, Isolation, Job, JobTemplate, Photo, Reading, StepEvent
from tuyere.store.machines.tables import Drive, EnergySource, Machine, MeterReading
from tuyere.store.plumbing.operations import Operation
from tuyere.store.shelf.tables import RatingItem, StockItem, StockMove
from tuyere.store.speeds.tables import SpeedPlate
from tuyere.store.twins.tables import InstrumentShown, Twin
from tuyere.store.upkeep.tables import Failure

__all__ = [
    "Build",
    "CalcRecord",
    "Carried",
    "Drive",
    "Due",
    "Duty",
    "Element",
    "Ends",
    "EnergySource",
    "Failure",
    "Finding",
    "InstrumentShown",
    "Isolation",
    "Job",
    "JobTemplate",
    "Loop",
    "Machine",
    "Member",
    "MeterReading",
    "Operation",
    "Photo",
    "Reading",
    "RouteStop",
    "Shaft",
    "ShaftLoad",
    "RatingItem",
    "SpeedPlate",
    "StepEvent",
    "StockItem",
    "StockMove",
    "Twin",
]
