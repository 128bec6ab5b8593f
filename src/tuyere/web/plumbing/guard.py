"""What every request and answer passes: JSON only, a bounded body, security headers."""

from __future__ import annotations

import os
from typing import Any

from flask import Flask, Response, request
from flask.json.provider import DefaultJSONProvider
from werkzeug.exceptions import ClientDisconnected, RequestEntityTooLarge

from tuyere.web.plumbing.problems import problem

LARGEST_BODY = 64 * 1024
# A photo comes as base64 in JSON.
LARGEST_PHOTO_BODY = 14 * 2**20
# A record file comes in pieces, as bytes.
LARGEST_PIECE = 2**20
HEADERS = {
    "Content-Security-Policy": "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; "
    "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
    "X-Frame-Options": "DENY",
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "Permissions-Policy": "camera=(self), geolocation=(), microphone=(self)",
    "Cross-Origin-Opener-Policy": "same-origin",
}


def largest_body(path: str) -> int:
    """How much may come to an address.

    >>> largest_body("/api/drives/x/photos") > largest_body("/api/drives/x/jobs")
    True
    """
    if is_piece(path):
        return LARGEST_PIECE
    return LARGEST_PHOTO_BODY if path.startswith("/api/drives/") and path.endswith("/photos") else LARGEST_BODY


def is_piece(path: str) -> bool:
    """Whether bytes are wanted there, not JSON.

    >>> is_piece("/api/files/x/pieces/3"), is_piece("/api/files/in")
    (True, False)
    """
    return path.startswith("/api/files/") and "/pieces/" in path


def host_of(netloc: str) -> str:
    """The name in a Host header or an address, without its port.

    >>> host_of("127.0.0.1:8350"), host_of("[::1]:80"), host_of("evil.example")
    ('127.0.0.1', '[::1]', 'evil.example')
    """
    return netloc.partition("]")[0].lower() + "]" if netloc.startswith("[") else netloc.partition(":")[0].lower()


def allowed_hosts() -> frozenset[str]:
    """Loopback names, and those of TUYERE_HOSTS (split by commas) for a deployment behind a proxy."""
    more = os.environ.get("TUYERE_HOSTS", "")
    return frozenset({"127.0.0.1", "localhost", "[::1]", *(h.strip().lower() for h in more.split(",") if h.strip())})


def _refuse_constant(name: str) -> Any:
    raise ValueError(f"{name} is not a number in JSON")


class StrictJson(DefaultJSONProvider):
    """JSON without NaN and infinity, which the standard does not know."""

    def loads(self, s: str | bytes, **kwargs: Any) -> Any:
        """Parse; ValueError on NaN and infinity."""
        return super().loads(s, parse_constant=_refuse_constant, **kwargs)


def register(app: Flask) -> None:
    """Hang the guards on the app."""
    app.json = StrictJson(app)
    app.config["MAX_CONTENT_LENGTH"] = LARGEST_BODY

    @app.before_request
    def _known_host() -> Response | None:
        # A page elsewhere can make a browser ask a loopback address under its own name; only our names are answered.
        if host_of(request.host) not in allowed_hosts():
            return problem(421, "host", "Not this host", "This server answers to its own names only (TUYERE_HOSTS).")
        origin = request.headers.get("Origin")
        writes = request.method not in ("GET", "HEAD", "OPTIONS")
        if writes and origin and host_of(origin.partition("://")[2]) not in allowed_hosts():
            return problem(403, "origin", "Not from there", "Only pages of this server may write to it.")
        return None

    @app.before_request
    def _only_json() -> Response | None:
        if request.method not in ("POST", "PUT", "PATCH") or not request.path.startswith("/api/"):
            return None
        largest = request.max_content_length = largest_body(request.path)
        if (request.content_length or 0) > largest:
            return problem(413, "too-large", "Too large", f"{largest // 1024} KiB at most")
        wanted = "application/octet-stream" if is_piece(request.path) else "application/json"
        if request.mimetype != wanted:
            return problem(415, "media-type", "Not this kind", f"Send {wanted}.")
        try:
            data = request.get_data(cache=True)
            # A chunked body says no length; what reaches the limit was cut off there.
            if request.content_length is None and len(data) >= largest:
                return problem(413, "too-large", "Too large", f"{largest // 1024} KiB at most")
            body = {} if is_piece(request.path) else app.json.loads(data)
        except RequestEntityTooLarge:
            return problem(413, "too-large", "Too large", f"{largest // 1024} KiB at most")
        except ClientDisconnected:
            return problem(400, "malformed", "Not all of it came", "The request ended before its body did.")
        except (ValueError, UnicodeDecodeError, RecursionError) as e:
            return problem(400, "malformed", "Not JSON", str(e)[:200])
        if not isinstance(body, dict):
            return problem(
                422,
                "refused",
                "Some of this cannot be",
                "an object is wanted",
                errors=[{"path": "", "value": None, "reason": "an object is wanted", "allowed": "{...}"}],
            )
        return None

    @app.after_request
    def _headers(response: Response) -> Response:
        for name, value in HEADERS.items():
            response.headers.setdefault(name, value)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
