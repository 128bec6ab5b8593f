"""What a field is called before a person: one term a thing, in the trade's word, the same on every form, list and sheet.

A name that reads as plain words already ("belt speed") is its own title; the table has only those that do not.
"""

from __future__ import annotations

import typing

from pydantic import BaseModel, ConfigDict
from pydantic.fields import ComputedFieldInfo, FieldInfo

# Centre distance, shaft load, outside diameter, belt speed, strand: one word for one thing.
TITLES: dict[str, str] = {
    # what is asked
    "about": "Centre distance, about",
    "above": "The upper of the two places",
    "added_power": "Added for the speed ratio",
    "along": "So far along the strand",
    "amps": "Current",
    "apart_to_tension": "Centre distance to give for tension",
    "arc": "Arc of contact",
    "arm": "Lever arm",
    "around": "Round further wheels",
    "asked": "What is asked of it",
    "assume": "A factor you know",
    "at_hours": "Wanted at running hours",
    "at_one_hour": "After one hour",
    "at_high_frequency": "Speed at the greatest frequency",
    "at_low_frequency": "Speed at the least frequency",
    "basic_power": "Basic power of one belt",
    "basis": "Rated by",
    "basis_source": "Its source",
    "belt_less": "Lost across the belt's top",
    "belt_mass": "Mass of the belt",
    "belt_power": "One belt carries",
    "belt_teeth": "Teeth of the belt",
    "belt_wear": "Belt worn, each side",
    "belts_exact": "Belts by the sum",
    "better": "Efficiency of the other",
    "between": "On which strand",
    "both_ways": "Runs both ways",
    "bottoms": "Touches the bottom",
    "bronze": "Bronze bushings in the motor",
    "by": "What gives first",
    "calc": "Calculation",
    "caliper": "Over the roots, by caliper",
    "caliper_diameter": "Over the roots, by caliper",
    "capacity": "It can carry",
    "carried_back": "From a laser on the other wheel",
    "carried_power": "All belts carry",
    "centre": "Centre distance",
    "centre_by_tape": "Centre distance, by tape",
    "centre_change": "Change of centre distance",
    "centre_high": "Greatest centre distance",
    "centre_low": "Least centre distance",
    "centres": "Centre distance",
    "centrifugal": "Pull taken by centrifugal force",
    "certain": "How certain",
    "chain_mass": "Mass of the chain",
    "chokes": "It can jam and stall",
    "clears": "Fields it takes the place of",
    "closed": "Pitch diameter, closed",
    "closer_to_fit": "Centre distance to give for laying on",
    "cogged": "Underneath",
    "comes_from": "What sets it",
    "common": "Common sizes",
    "considered": "Combinations tried",
    "count": "How many",
    "cut_length": "Length to cut",
    "cut_least": "Length to cut, least",
    "cut_most": "Length to cut, most",
    "cut_short": "Cut short by",
    "deflection_exact": "Deflection by the sum",
    "deflection_force_new": "Force to deflect, new belt",
    "deflection_force_run_in": "Force to deflect, run-in belt",
    "deflection_force": "Force to deflect",
    "density": "Density of the air then",
    "density_now": "Density of the air now",
    "diameter_kind": "Which diameter",
    "dies_away": "Dies away in",
    "done": "Turns and readings so far",
    "drive_length": "Length of the drive chain",
    "driven_fixed": "Driven, fixed pitch diameter",
    "driven_length": "Length of the conveyor chain",
    "driven_outside": "Driven, outside diameter",
    "driven_pitch": "Driven, pitch diameter",
    "driven_speed_high": "Driven speed, high",
    "driven_speed_low": "Driven speed, low",
    "driven_x": "Driven shaft, to the right",
    "driven_y": "Driven shaft, up",
    "driver_diameter_is": "Driver diameter that the speeds tell",
    "driver_fixed": "Driver, fixed pitch diameter",
    "driver_outside": "Driver, outside diameter",
    "driver_pitch": "Driver, pitch diameter",
    "drop": "Belt rides lower by",
    "elongation": "Worn longer by",
    "engages": "The loop is the clutch",
    "enough": "Enough belts",
    "exact_pitches": "Pitches by the sum",
    "exact_teeth": "Teeth by the sum",
    "far": "At the far edge",
    "far_rating": "Rating C of the far bearing",
    "feet": "Feet of the machine",
    "first": "Driver's diameter, first step",
    "fixed": "Parts that stay",
    "fixed_centres": "No take-up",
    "force": "Force of the gauge",
    "frame": "Motor frame",
    "freed": "Length given back by the release",
    "frequency_new": "Note of the span, new belt",
    "frequency_run_in": "Note of the span, run-in belt",
    "friction_there": "Friction there is",
    "from_driven": "From the driven shaft",
    "from_driver": "From the driver's shaft",
    "from_first": "From the driver's shaft",
    "from_second": "From the first other wheel",
    "full_load": "At full load",
    "full_load_high": "Full-load speed, high",
    "full_load_low": "Full-load speed, low",
    "galling": "Carried before pins gall",
    "link_plates": "Carried by the link plates",
    "gap_below": "Gap under the belt",
    "give": "It can move, either way",
    "governing": "What limits it",
    "greatest_hub": "Greatest hub diameter",
    "greatest_pull": "Greatest pull of the chain",
    "grown": "Grown longer by",
    "grown_percent": "Grown, of its length",
    "hand": "Pull at the lever's end",
    "hand_arm": "Lever, pin to hand",
    "hand_movement": "Movement by hand",
    "hand_movement_band": "Movement by hand, both ways",
    "hand_percent": "Movement by hand, of the span",
    "hand_tight": "Links, hand-tight",
    "held_by": "What pulls the take-up",
    "here": "Set here",
    "hours": "Running hours",
    "idler_at": "Pivot to the idler's middle",
    "impact": "Carried by rollers and bushings",
    "in_place_of_joined": "Singles in place of a joined belt",
    "initial_tension": "Tension at rest",
    "initial_greatest": "Tension at rest, most",
    "isolated": "Isolated, guard may be off",
    "jack_pitch": "One turn of a jack bolt",
    "jump_margin": "Margin against jumping teeth",
    "keep": "Options wanted",
    "kept": "What the figures stand on",
    "large": "Larger wheel, diameter",
    "large_arc": "Arc on the larger",
    "least_centre": "Least centre distance",
    "least_pulley": "Least diameter it may bend round",
    "left": "Travel left",
    "length_at_limit": "Length where it is worn out",
    "length_new": "Length when new",
    "lies": "Wheels as the loop meets them",
    "limit_because": "Why this limit",
    "louder_db": "Louder by",
    "marks_slack": "Marks apart, slack",
    "marks_tight": "Marks apart, tight",
    "may_be": "What it may be",
    "mounted_high": "Centre distance for mounting, most",
    "mounted_low": "Centre distance for mounting, least",
    "move_centres": "Centre distance moves by",
    "moved": "The take-up has moved",
    "moving": "At the wheel that moves",
    "near": "At the near edge",
    "near_rating": "Rating C of the near bearing",
    "new_centres": "New centre distance",
    "now": "Length now",
    "odd": "A belt that is unlike the others",
    "offered": "The belt at hand",
    "offered_centre": "Centre distance with the belt at hand",
    "open": "Pitch diameter, open",
    "order": "Length to order",
    "other_share": "Something else",
    "outside": "Outside diameter",
    "over": "Measured over",
    "over_keyway": "Metal over the keyway",
    "over_plate": "Over the plate",
    "overhang": "Middle of the wheel to the near bearing",
    "overhung": "Overhung load allowed",
    "own_belt": "A belt by its maker's sheet",
    "own_groove": "The groove as measured",
    "own_mass": "Mass of that belt",
    "own_ratings": "Your own rating table",
    "own_tension": "Working tension its maker allows",
    "passed_on": "Power passed on",
    "per_decade": "Falls in each tenfold of the hours",
    "phases": "Supply of the motor",
    "pin_above": "The upper of the two places",
    "pin_from_driven": "Pin from the driven shaft",
    "pin_from_driver": "Pin from the driver's shaft",
    "pin_x": "Pin, to the right",
    "pin_y": "Pin, up",
    "pitch_short": "Pitch grown short by",
    "pressed": "Lifted over the rollers' undersides",
    "pull_at": "Pivot to where it is pulled",
    "pull_at_hand": "Pull by hand",
    "pull_at_wheel": "Pull at the wheel",
    "pushed": "Pushed in by",
    "rejected": "What fell out",
    "resilient": "The motor sits on rubber mounts",
    "rides_out": "Rides up the teeth",
    "right_centre": "Centre distance with the right belt",
    "rim_moving": "Face to groove, wheel that moves",
    "rim_staying": "Face to groove, wheel that stays",
    "rolling": "Share of the weight to turn a roller",
    "run": "Links to run",
    "sag_percent": "Sag, of the span",
    "saved_money": "Money saved in a year",
    "saved": "Saved in a year",
    "shaft_load": "Shaft load, each",
    "shaft_load_case": "In which state",
    "shaft_load_design": "Shaft load at design power",
    "shaft_load_running": "Shaft load, running",
    "shaft_load_standing": "Shaft load, at rest",
    "shaft_load_standing_new": "Shaft load, at rest, new belt",
    "shut_off": "Head against a shut valve",
    "slack": "Slack strand",
    "slip_design": "Slip at the design power",
    "slip_duty": "Slip at the duty's power",
    "small_arc": "Arc on the smaller",
    "solved_for": "What was asked",
    "span": "Free span",
    "spare": "Power to spare",
    "speed_error": "Off the speed wanted",
    "speed_now": "Driven speed now",
    "static": "Static head",
    "static_safety": "Strength over the greatest pull",
    "static_tension": "Static tension, each belt",
    "static_tension_statics": "Static tension by the strands' pulls",
    "staying": "At the wheel that stays",
    "steep_or_shock": "Steep, reversing or fixed centre distance",
    "stopped_by_amps": "Stopped by the motor's current",
    "strand_tension": "Pull of a strand",
    "tail_diameter": "Wheel at the tail, diameter",
    "take_off": "Links to remove",
    "taped_length": "Length of the path, by tape",
    "target": "Wanted speed",
    "tension_new": "Static tension, new belt",
    "tension_run_in": "Static tension, run-in belt",
    "this": "The drive that is asked about",
    "tight": "Tight strand",
    "times_todays_load": "Times today's load",
    "timing": "Keeps two shafts in time",
    "to_idler": "Motor to idler",
    "to_spindle": "Idler to spindle",
    "to_tell_apart": "What tells them apart",
    "top": "At the top",
    "bottom": "At the bottom",
    "turn_back": "Turn back by",
    "turns_exact": "Turns by the sum",
    "turns_now": "Turns open now",
    "typed": "What was typed",
    "under": "Wheels that are too small",
    "under_rim": "Belt's top under the rim",
    "unloaded_driven": "Driven speed without load",
    "unloaded_driver": "Driver speed without load",
    "used": "Travel used",
    "verdict": "State",
    "whole": "Whole travel",
    "within": "Within limits",
    "words": "In words",
    "working_pull": "Working pull of the chain",
    "wrap": "Arc on the smaller",
    "x": "To the right of the driver's shaft",
    "y": "Over the driver's shaft",
    "yearly_cost": "Money lost in a year",
    "yearly_loss": "Loss in a year",
}

# The figures of a whole drive, what belongs together; the stage that asks reads its own group first.
_LOOP = """
    designation section groove belts ribs belts_needed belts_exact belt_length length pitches belt_teeth belt_mass chain_mass take_up
    installation lubrication_wanted oil
"""
_DUTY = """
    design_power service_factor load_factor basis basis_source method governing power capacity belt_power basic_power added_power arc_factor
    length_factor mesh_factor width_factor carried_power spare width_that_does driven_speed driven_speed_low driven_speed_high speed_ratio
    belt_speed chain_speed slip_duty slip_design friction_used friction_there chordal_variation
"""
_GEOMETRY = """
    centre_distance span small_arc large_arc wrap teeth_in_mesh driver_outside driver_pitch driven_outside driven_pitch
    face_between_flanges closer_to_fit apart_to_tension
"""
_TENSION = """
    deflection deflection_exact deflection_force deflection_force_new deflection_force_run_in frequency frequency_new frequency_run_in
    tension_new tension_run_in static_tension static_tension_statics initial_tension initial_greatest dip sag hand_movement
    hand_movement_band tight slack centrifugal working_pull greatest_pull static_safety jump_margin
"""
_SHAFTS = "shaft_load shaft_load_case shaft_load_standing shaft_load_standing_new shaft_load_running shaft_load_design"
GROUPS: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("The loop", tuple(_LOOP.split())),
    ("The duty", tuple(_DUTY.split())),
    ("Geometry", tuple(_GEOMETRY.split())),
    ("Tension", tuple(_TENSION.split())),
    ("The shafts", tuple(_SHAFTS.split())),
)


def title_of(name: str) -> str:
    """What a field is called.

    >>> title_of("belts_exact"), title_of("belt_speed")
    ('Belts by the sum', 'Belt speed')
    """
    plain = name.replace("_", " ").replace("-", " ")
    return TITLES.get(name) or plain[:1].upper() + plain[1:]


def _titled(name: str, _: FieldInfo | ComputedFieldInfo) -> str:
    return title_of(name)


# For models whose fields are read by people: the schema says their titles.
TITLED = ConfigDict(field_title_generator=_titled)


def _models(of: object) -> set[type[BaseModel]]:
    if isinstance(of, type) and issubclass(of, BaseModel):
        return {of}
    return {m for part in typing.get_args(of) for m in _models(part)}


def titles_of(model: type[BaseModel]) -> dict[str, str]:
    """The title of every field of a model and of the models in it that its plain name does not say."""
    found: dict[str, str] = {}
    waiting, seen = [model], {model}
    while waiting:
        fields = waiting.pop().model_fields
        # A field that means something else in its own model says so there.
        found |= {name: own for name, f in fields.items() if (own := f.title or TITLES.get(name))}
        inner = {m for f in fields.values() for m in _models(f.annotation)} - seen
        seen |= inner
        waiting += inner
    return found


def groups_of(names: typing.Iterable[str]) -> list[tuple[str, list[str]]]:
    """The figures of a whole drive by what they belong to, in the table's order; what no group has comes last."""
    there = list(names)
    groups = [(title, [n for n in own if n in there]) for title, own in GROUPS]
    grouped = {n for _, own in groups for n in own}
    rest = [n for n in there if n not in grouped]
    return [(title, own) for title, own in [*groups, ("More", rest)] if own]


def path_words(path: str) -> str:
    """Where a refused value stands, as its form calls it; lines of a list by their number.

    >>> path_words("input.service_factor.machine"), path_words("belts.2.force"), path_words("")
    ('Service factor, machine', 'Belts 3, force of the gauge', '')
    """
    words: list[str] = []
    for part in path.removeprefix("input.").split("."):
        # A place in a list, not every sign that counts as a digit somewhere.
        if part.isascii() and part.isdigit() and words:
            words[-1] += f" {int(part) + 1}"
        elif part:
            words.append(title_of(part))
    return (
        ", ".join([*words[-2:-1], *(w[:1].lower() + w[1:] for w in words[-1:])]) if len(words) > 1 else "".join(words)
    )
