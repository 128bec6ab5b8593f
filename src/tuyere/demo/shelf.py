"""What lies on the shelf of the flax works, as a list that a person would bring in. Everything is invented."""

SHELF = """part,section,size,diameter,count
belt,,B90,,4
belt,,BX75,,3
belt,,BX68,,2
belt,,A42,,6
belt,,A51,,2
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
"""
