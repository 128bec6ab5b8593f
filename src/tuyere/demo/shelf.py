"""What lies on the shelf of the flax works, as a list that a person would bring in. Everything is invented."""

SHELF = """part,section,size,diameter,count
belt,,B90,,4
belt,,BX75,,3
belt,,BX68,,2
belt,,A42,,6
belt,,A51,,2
belt,,AX42,,2
belt,,A60,,3
belt,,5VX900,,2
belt,,5V1500,,1
belt,,3VX630,,3
belt,,SPB 2360,,2
sheave,B,5 3/4,outside,2
sheave,B,9.4,datum,1
sheave,5V,7.1,outside,1
sheave,5V,8,outside,1
sheave,3V,4.5,outside,2
sheave,A,3.4,outside,2
bushing,,SDS 1 3/8 in,,2
bushing,,SK 1 7/8 in,,1
chain,,140,,1
link,,140 connecting link,,3
lacing,,hooks for 1/4 in leather,,2
instrument,,plunger gauge,,1
"""
# Where parts lie, and under which count they are bought again.
PLACES = {"5VX900": "rack 1, top", "B90": "rack 1", "140": "drawer 4", "140 connecting link": "drawer 4"}
# What one costs, invented, in the works' own money.
PRICES = {
    "AX42": 8.4,
    "A60": 9.9,
    "5VX900": 46.0,
    "B90": 17.5,
    "A51": 9.2,
    "140": 310.0,
    "140 connecting link": 14.0,
    "5V1500": 71.0,
}
LOW = {"5VX900": 4, "B90": 3, "A51": 2, "140 connecting link": 5, "5V1500": 2}
