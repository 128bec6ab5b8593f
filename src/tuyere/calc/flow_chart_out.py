"""The chart of a fan or pump at two speeds, from what was worked of it."""

from tuyere.calc.frame import Frame
from tuyere.calc.motor_now import AmpsOut, MotorNowIn
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.flow_chart import FlowChart, flow_scene

# A usual fan against a shut duct over its pressure of now; for the shape of the curve alone. Common practice, no source.
FAN_SHUT_OFF = 1.3


def flow_chart_out(
    machine: str,
    *,
    speeds: tuple[float, float],
    heads: tuple[float, float],
    motor: MotorNowIn | None,
    amps: AmpsOut | None,
    says: str,
    frame: Frame,
) -> SceneOut:
    """Both curves to one scale; ``heads`` are shut-off and static over the head of now."""
    f = frame.figure
    most = None if amps is None else amps.most_speed.low.value
    read = None
    if amps is not None and motor is not None:
        now = 100 * motor.amps / motor.full_load_amps
        read = (now, amps.share_of_plate.low.value, amps.share_of_plate.high.value)
    chart = FlowChart(
        shut_off=heads[0],
        static=heads[1],
        ratio=speeds[1] / speeds[0],
        most_ratio=None if most is None else most / speeds[0],
        amps=read,
        machine=machine,
        speeds=(f(speeds[0], "speed").number, f(speeds[1], "speed").number),
        most_speed="" if most is None else f(most, "speed").shown,
        title=says,
    )
    return scene_out(flow_scene(chart))
