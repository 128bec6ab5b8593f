"""Importing this module registers every calculation and every family.

Modules are found, not listed: a new calculation or a new family is a new file or folder and touches nothing here.
"""

from importlib import import_module
from pkgutil import walk_packages

import tuyere.calc.entries
import tuyere.calc.families

for _package in (tuyere.calc.entries, tuyere.calc.families):
    for _found in sorted(walk_packages(_package.__path__, _package.__name__ + "."), key=lambda m: m.name):
        import_module(_found.name)
