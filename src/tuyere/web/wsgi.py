"""What the WSGI server loads; the search's catalogue is made before the first request asks for it."""

import scipy.optimize  # noqa: F401  (takes seconds to load: before the workers are forked, not in the first crossed belt)

from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.web.app import create_app

build_catalogue(series="inch")
app = create_app()
