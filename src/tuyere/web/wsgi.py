"""What the WSGI server loads."""

from tuyere.web.app import create_app

app = create_app()
