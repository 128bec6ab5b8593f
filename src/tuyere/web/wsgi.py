"""What the WSGI server loads; the search's catalogue is made before the first request asks for it."""

import gc

import scipy.optimize  # noqa: F401  (takes seconds to load: before the workers are forked, not in the first crossed belt)
import scipy.signal  # noqa: F401  (nor in the first belt that is listened to)
import scipy.stats  # noqa: F401  (nor in the first belt that failed too often)

from tuyere.calc.registry import CALCULATIONS
from tuyere.core.steps import FORMULAS
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.web.app import create_app

build_catalogue(series="inch")
app = create_app()
# What is made when it is first asked for is made before the workers are forked, once for all of them.
for _formula in FORMULAS.values():
    _formula.expr  # noqa: B018
for _calc in CALCULATIONS.values():
    _calc.request_model.model_rebuild()
    _calc.response_model.model_rebuild()
# What is made by now stays: it is not looked through again for what can go, and the workers share it.
gc.collect()
gc.freeze()
