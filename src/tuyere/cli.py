"""The commands, once the environment is there."""

from __future__ import annotations

import argparse
import contextlib
import json
import os
import sys
import uuid
from collections.abc import Callable, Iterator
from typing import Any

from pydantic import ValidationError

from tuyere.core.errors import InputError, NoSolution
from tuyere.ops.say import OpsError


def _print(document: Any) -> None:
    json.dump(document, sys.stdout, indent=1, ensure_ascii=False, default=str)
    print()


def _problem(kind: str, errors: list[dict[str, Any]]) -> int:
    _print(
        {
            "type": f"tuyere:{kind}",
            "title": "Some of this cannot be" if kind == "refused" else "Nothing answers this",
            "status": 422,
            "detail": errors[0]["reason"],
            "errors": errors,
        }
    )
    return 2


def _refuse_constant(name: str) -> Any:
    raise ValueError(f"{name} is not a number in JSON")


def calc(options: argparse.Namespace) -> int:
    """One calculation from standard input; 0 a result, 2 refused or no solution, 1 a fault of ours."""
    import tuyere.calc.every  # noqa: F401
    from tuyere.calc.refusals import echoed, problems_of
    from tuyere.calc.registry import CALCULATIONS, work

    if options.list:
        for c in CALCULATIONS.values():
            print(f"{c.name:16} {c.title}: {c.summary}")
        return 0
    found = CALCULATIONS.get(options.name or "")
    if found is None:
        return _problem(
            "refused",
            [
                {
                    "path": "calc",
                    "value": options.name,
                    "reason": "no such calculation",
                    "allowed": " ".join(CALCULATIONS),
                }
            ],
        )
    if options.schema:
        _print(found.request_model.model_json_schema())
        return 0
    if options.example:
        _print(found.example)
        return 0
    try:
        body = json.loads(sys.stdin.read(), parse_constant=_refuse_constant)
    except (ValueError, RecursionError) as e:
        return _problem(
            "refused", [{"path": "", "value": None, "reason": f"not JSON: {e}", "allowed": "see --example"}]
        )
    try:
        _print(work(found, found.request_model.model_validate(body)).model_dump(mode="json"))
        return 0
    except ValidationError as e:
        return _problem("refused", problems_of(e))
    except InputError as e:
        return _problem("refused", [{"path": e.field, "value": echoed(e.value), "reason": e.why, "allowed": e.allowed}])
    except NoSolution as e:
        return _problem(
            "no-solution", [{"path": f"input.{e.field}", "value": None, "reason": e.why, "allowed": e.allowed}]
        )


@contextlib.contextmanager
def _database() -> Iterator[str]:
    """The database of TUYERE_DATABASE_URL, or the demo's: started where it does not run. Raises OpsError."""
    from tuyere.ops import setup
    from tuyere.ops.address import check_address
    from tuyere.ops.postgres import Cluster

    if url := os.environ.get("TUYERE_DATABASE_URL"):
        check_address(url)
        yield url
        return
    cluster = Cluster(setup.data_home(), 28360)
    if not (cluster.data / "PG_VERSION").exists():
        raise OpsError(
            "there is no demo database and TUYERE_DATABASE_URL is not set",
            "./tuyere demo, or set TUYERE_DATABASE_URL",
        )
    started = not cluster.running()
    if started:
        cluster.start()
    try:
        yield cluster.url()
    finally:
        if started:
            cluster.stop()


def db(options: argparse.Namespace) -> int:
    """Migrate or check the database of TUYERE_DATABASE_URL, or the demo's while it runs."""
    from tuyere.store.plumbing.database import check, migrate
    from tuyere.store.plumbing.engine import engine_for

    with _database() as url:
        if options.action == "migrate":
            migrate(url)
            print("The schema is up to date.")
            return 0
        engine = engine_for(url)
        wrong = check(engine)
        if not wrong:
            import tuyere.calc.every  # noqa: F401
            from tuyere.store.jobs.book import wrongly_kept

            wrong = wrongly_kept(engine)
        engine.dispose()
        print("\n".join(wrong) if wrong else "The database is well.")
        return 1 if wrong else 0


def record(options: argparse.Namespace) -> int:
    """Write the record to a file, or bring one in: all of it or nothing."""
    from tuyere.store.files.command import bring_in, write_out

    if options.way == "in" and (options.machine or options.drive):
        raise OpsError("--machine and --drive go with out", "./tuyere record in FILE [--look]")
    with _database() as url:
        if options.way == "out":
            return write_out(url, options.file, options.machine, options.drive)
        return bring_in(url, options.file, options.look)


def checks(_options: argparse.Namespace) -> int:
    """List the outside checks of the arithmetic with their sources."""
    from tuyere.ops.outside import list_outside

    return list_outside()


def _port(text: str) -> int:
    try:
        port = int(text)
    except ValueError:
        port = 0
    if not 1 <= port <= 65535:
        raise argparse.ArgumentTypeError(f"{text} is not a port: 1 to 65535")
    return port


def _agreed() -> bool:
    """Whether a person says that what was entered may go; nobody to ask is a no."""
    try:
        return (
            input("--reset takes away all that was entered and loads the demo afresh. Type yes to do it: ").strip()
            == "yes"
        )
    except EOFError:
        return False


def main(arguments: list[str] | None = None) -> int:
    """Parse and run; returns the exit status."""
    parser = argparse.ArgumentParser(prog="tuyere")
    commands = parser.add_subparsers(dest="command", required=True)
    p = commands.add_parser("demo")
    p.add_argument("--reset", action="store_true")
    p.add_argument("--port", type=_port, default=8350)
    p.add_argument("--yes", action="store_true", help="with --reset: do not ask")
    commands.add_parser("serve")
    p = commands.add_parser("calc")
    p.add_argument("name", nargs="?")
    p.add_argument("--list", action="store_true")
    p.add_argument("--schema", action="store_true")
    p.add_argument("--example", action="store_true")
    p = commands.add_parser("db")
    p.add_argument("action", choices=["migrate", "check"])
    p = commands.add_parser("record")
    p.add_argument("way", choices=["out", "in"])
    p.add_argument("file")
    p.add_argument("--machine", type=uuid.UUID)
    p.add_argument("--drive", type=uuid.UUID)
    p.add_argument("--look", action="store_true", help="with in: say what would become of each record, change nothing")
    commands.add_parser("checks")
    options = parser.parse_args(arguments)
    try:
        if options.command == "demo":
            from tuyere.ops.serve import demo

            if options.reset and not options.yes and not _agreed():
                print("Nothing was changed.")
                return 1
            return demo(options.reset, options.port)
        if options.command == "serve":
            from tuyere.ops.serve import serve

            return serve()
        run: Callable[[argparse.Namespace], int] = {
            "calc": calc,
            "db": db,
            "record": record,
            "checks": checks,
        }[options.command]
        return run(options)
    except OpsError as e:
        print(f"\nStopped: {e.cause}\n" + (f"To cure it: {e.cure}" if e.cure else ""), file=sys.stderr)
        return 1
    except BrokenPipeError:
        # Whoever read on has enough; Python would complain once more while it closes the pipe.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0


if __name__ == "__main__":
    sys.exit(main())
