"""Every registered calculation; importing this package registers them."""

from tuyere.calc.entries import (  # noqa: F401
    belt_length,
    chain_drive,
    chain_geometry,
    chain_select,
    chain_wear,
    flat,
    service_factor,
    speed_ratio,
    synchronous,
    v_belt_drive,
    v_belt_rating,
    v_belt_select,
)
