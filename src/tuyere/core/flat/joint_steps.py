"""What the hands do for each joint, in order. Source: shop handbooks and common practice, put into our own words."""

SQUARE = "Cut both ends square: try the square from both edges, the two diagonals must agree within 1/2 mm per 100 mm of width."
SAFE = "Machine isolated and proved dead; pulleys chocked, so that the belt's weight cannot turn them."
KNIFE = "Knife and skiver cut away from the other hand; gloves that stand a cut."
GLUE = "Cement and solvent: air, no flame, follow the label and its safety sheet."

_LACED = "Run it by hand a full turn: the joint passes flat over both pulleys and does not touch a guard or fork."

STEPS: dict[str, tuple[str, ...]] = {
    "hooks": (
        "Take-up at its shortest and a quarter of its travel out, tape the path, cut to the length of the cut-length card.",
        SQUARE,
        "Measure the thickness with a caliper and take hooks made for that band.",
        "Card of hooks in the middle of the press, belt end hard against the pins, hooks no wider than the belt.",
        "Press until the points are sunk and the loops lie a shade under the surface on the pulley side.",
        "Second end the same, offset by one hook so that the edges meet and the loops mesh.",
        "Draw the ends together, push the pin through, trim it flush with the edges so that it cannot walk out.",
        _LACED,
    ),
    "hooks-hand": (
        "Take-up at its shortest and a quarter of its travel out, tape the path, cut to length.",
        SQUARE,
        "Lay both ends butted on a hardwood block; mark the hook line straight across.",
        "Drive each hook square through both ends, evenly spaced from the middle outwards.",
        "Turn the belt over and clinch the points flat, away from the pulley side.",
        "Short-lived and weak: write it down as temporary and plan a better joint.",
    ),
    "rawhide": (
        "Take-up at its shortest and a quarter of its travel out, tape the path, cut to length.",
        SQUARE,
        "Punch holes 3/8 in from the end, two rows staggered, 1/2 to 3/4 in apart, the same number in both ends; small holes keep the strength.",
        "Lace 1/4 to 5/16 in wide: begin in the middle, both halves out to the edges and back.",
        "On the pulley side the lace runs straight with the belt; it crosses on the outside only.",
        "Tuck the ends through a small slit and cut them short.",
        _LACED,
    ),
    "plates": (
        "Take-up at its shortest and a quarter of its travel out, tape the path, cut to length.",
        SQUARE,
        "Punch with the template, the row of plates centred on the belt.",
        "Plates with their smooth side to the pulleys, sunk flush; tighten from the middle outwards.",
        "Break off the bolts, file them smooth, round off the corners of the belt ends.",
        "Tighten again after the first hour of running. For heavy, slow belts on large pulleys only.",
    ),
    "lap-leather": (
        "Stretch the leather before measuring: hang it weighted, or run it clamped for some hours.",
        "Take-up at its shortest and a quarter of its travel out, tape the path, add the lap, subtract the cut-short share.",
        "Skive one end on the grain side, the other on the flesh side, over the whole lap, to a feather edge.",
        "Lay the laps together dry: same thickness as the belt all along, edges in one line on a straightedge.",
        "Scrape both faces, coat both with belt cement, let it grip as the label says.",
        "Bring together without air, rub out from the middle, clamp flat between boards.",
        "One to three hours in the clamps or as the label says, no load before it is through.",
        "Fit it so that the inner point of the lap trails on the pulleys; grain side to the pulley; mark an arrow.",
    ),
    "lap-polyamide": (
        "Cut the ends at 60 degrees to the edge where the fixture allows, the length as on the card.",
        "Skive each end over the lap: one from the top, the other from the bottom, in the fixture.",
        "Roughen and clean the laps; polyamide with its own cement, leather cover with its own.",
        "Coat both, lay together in the jig, edges in one line, clamp; heat and time as the cement's sheet says.",
        "Cool in the clamp. Bend it round the smallest pulley by hand: the lap must bend as the belt does.",
        "The lap's inner point trails; mark an arrow.",
    ),
    "weld": (
        "Cut both ends square with a sharp blade; clean, dry, no oil.",
        "Blade at the temperature of the belt's own sheet (often 230 to 290 °C); hold both ends on it until an even bead stands all round.",
        "Blade out, ends straight together in the jig, light pressure.",
        "Hold until cold through, not only on the skin.",
        "Trim the bead flush on the pulley side.",
        "Bend it double both ways and pull: a bad weld opens now rather than on the machine.",
    ),
    "instrument": (
        "Stretch the new leather before measuring: hang it with a small weight for some hours, or it slackens in a day.",
        "Take the old belt off whole, or tape the path with a thread; take-up at its shortest and a quarter of its travel out.",
        "Cut square, add the lap, subtract the cut-short share: on a short belt a millimetre counts.",
        "Skive the two ends on opposite faces with a razor on a flat block, to nothing.",
        "Glue with leather cement, edges against a rule, press under a weight until it is through.",
        "Pare the lap until it is no thicker than the belt; a thick lap ticks at every turn and shakes fine work.",
        "Lap's inner point trailing; run it in by hand before the motor.",
    ),
}

CAUTIONS: dict[str, tuple[str, ...]] = {
    "hooks": (SAFE, KNIFE, "Hook points and cut wire ends stab: look where the hand goes along the belt."),
    "hooks-hand": (SAFE, KNIFE, "Eye protection when driving and clinching."),
    "rawhide": (SAFE, KNIFE),
    "plates": (SAFE, "Bolt ends catch clothing: none may stand out."),
    "lap-leather": (SAFE, KNIFE, GLUE),
    "lap-polyamide": (SAFE, KNIFE, GLUE, "The heated clamp burns."),
    "weld": (SAFE, "The blade burns and the fumes are bad: air, gloves, nothing left lying hot."),
    "instrument": (SAFE, KNIFE, GLUE),
}
