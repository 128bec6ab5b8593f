"""Exact factors by which inch-based published formulas meet the core's units."""

MM_PER_IN = 25.4
M_PER_FT = 0.3048
KG_PER_LB = 0.45359237
N_PER_LBF = 4.4482216152605
KW_PER_HP = 0.74569987158227022  # 550 ft lbf/s
G_FT = 32.174  # ft/s2, standard gravity as handbooks round it
