"""The flax works: all its machines and drives. Everything is invented."""

from tuyere.demo.around_work import AROUND_WORK
from tuyere.demo.kinds import DemoMachine
from tuyere.demo.mill_and_loft import MILL_AND_LOFT
from tuyere.demo.scutch_house import SCUTCH_HOUSE
from tuyere.demo.speed_work import SPEED_WORK
from tuyere.demo.yard_and_shop import YARD_AND_SHOP

WORKS: tuple[DemoMachine, ...] = SCUTCH_HOUSE + YARD_AND_SHOP + MILL_AND_LOFT + SPEED_WORK + AROUND_WORK
