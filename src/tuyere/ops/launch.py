"""What the launcher does before the environment exists: set up, then hand over to it."""

from __future__ import annotations

import os
import subprocess
import sys

from tuyere.ops import setup
from tuyere.ops.say import OpsError, Progress

HELP = """Tuyere: a mechanic's bench for belt and chain drives.

  ./tuyere demo [--reset] [--port N]   set up this machine and serve the demo on 127.0.0.1
  ./tuyere test [pytest options]       set up this machine and run every check
  ./tuyere test PART                   one part: lint, types, unit, core, store, web, browser
  ./tuyere serve                       serve a real deployment (see README: environment variables)
  ./tuyere calc NAME < input.json      one calculation; also --list, NAME --schema, NAME --example
  ./tuyere db migrate | check          bring the database up to date; check it
  ./tuyere record out | in FILE        write the record to a file, or bring one in (in FILE --look: only say what would become of it)
  ./tuyere checks                      list the outside checks of the arithmetic
"""


def _hand_over(arguments: list[str]) -> int:
    python = setup.VENV / "bin" / "python"
    env = {**os.environ, "PYTHONPATH": str(setup.ROOT / "src")}
    os.chdir(setup.ROOT)
    os.execve(python, [str(python), "-m", "tuyere.cli", *arguments], env)


def demo(arguments: list[str]) -> int:
    """Set up for running, then start the demo; a question about it needs no set-up."""
    if {"-h", "--help"} & set(arguments):
        print(HELP)
        return 0
    progress = Progress(6)
    progress.step("Debian packages")
    setup.debian_packages(progress, with_browser=False)
    progress.step("Python environment")
    setup.python_environment(dev=False)
    progress.step("pages: build")
    setup.front_end_build(progress)
    return _hand_over(["demo", *arguments])


PARTS = ("lint", "types", "unit", "core", "store", "web", "browser")


def _pytest_of(part: str) -> list[str]:
    """What pytest runs for a part; ``core`` takes the calculations and the doctests along."""
    return {
        "core": ["tests/core", "tests/calc", "tests/fifth", "src/tuyere/core", "src/tuyere/calc"],
        "store": ["tests/store", "tests/exchange"],
        "web": ["tests/web"],
        "browser": ["tests/browser"],
    }.get(part, [])


def test(arguments: list[str]) -> int:
    """Set up for testing, then run every check in order, or one part of them; the first failure ends it."""
    part = arguments[0] if arguments and arguments[0] in PARTS else ""
    if part in ("core", "store", "web"):
        # A change in the core does not wait for the front end.
        progress = Progress(3)
        progress.step("Debian packages")
        setup.debian_packages(progress, with_browser=False)
        progress.step("Python environment")
        python = str(setup.python_environment(dev=True))
        progress.step(part)
        env = {**os.environ, "PYTHONPATH": str(setup.ROOT / "src")}
        return subprocess.run(
            [python, "-m", "pytest", *_pytest_of(part), *arguments[1:]], cwd=setup.ROOT, env=env, check=False
        ).returncode
    progress = Progress(11)
    progress.step("Debian packages, with Chromium")
    setup.debian_packages(progress, with_browser=True)
    progress.step("Python environment")
    python = str(setup.python_environment(dev=True))
    progress.step("front-end packages")
    node = setup.front_end_packages()
    progress.step("pages: build")
    setup.front_end_build(progress)
    bin_dir = setup.VENV / "bin"
    env = {**os.environ, "PYTHONPATH": str(setup.ROOT / "src"), "PATH": f"{bin_dir}:{os.environ.get('PATH', '')}"}
    checks = [
        ("ruff", [str(bin_dir / "ruff"), "check", "."], setup.ROOT, env),
        ("ruff format", [str(bin_dir / "ruff"), "format", "--check", "-q", "."], setup.ROOT, env),
        ("mypy", [str(bin_dir / "mypy")], setup.ROOT, env),
        ("import contracts", [str(bin_dir / "lint-imports"), "--no-logo"], setup.ROOT, env),
        (
            "eslint, vue-tsc and prettier",
            ["sh", "-c", "npx eslint . && npx vue-tsc --noEmit && npm run --silent format"],
            setup.FRONTEND,
            node,
        ),
        ("front-end unit tests", ["npx", "vitest", "run"], setup.FRONTEND, node),
        ("pytest", [python, "-m", "pytest", *arguments], setup.ROOT, env),
    ]
    names = {
        "lint": ("ruff", "ruff format", "import contracts", "eslint, vue-tsc and prettier"),
        "types": ("mypy", "eslint, vue-tsc and prettier"),
        "unit": ("front-end unit tests",),
        "browser": ("pytest",),
    }.get(part)
    if part == "browser":
        checks[-1] = ("pytest", [python, "-m", "pytest", *_pytest_of(part), *arguments[1:]], setup.ROOT, env)
    for name, command, where, environment in checks:
        if names is not None and name not in names:
            continue
        progress.step(name)
        if code := subprocess.run(command, cwd=where, env=environment, check=False).returncode:
            print(f"{name} failed (exit {code}); run it alone: cd {where} && {' '.join(command)}", file=sys.stderr)
            return code
    return 0


def main(arguments: list[str]) -> int:
    """Dispatch; returns the exit status."""
    command = arguments[0] if arguments else ""
    try:
        if command == "demo":
            return demo(arguments[1:])
        if command == "test":
            return test(arguments[1:])
        if command in ("serve", "calc", "db", "record", "checks"):
            if not (setup.VENV / "bin" / "python").exists():
                setup.debian_packages(Progress(1), with_browser=False)
            # The outside checks are tests: their packages are those of the test environment.
            setup.python_environment(dev=command == "checks")
            if command == "serve":
                setup.front_end_build(Progress(1))
            return _hand_over(arguments)
    except OpsError as e:
        print(f"\nStopped: {e.cause}\n" + (f"To cure it: {e.cure}\n" if e.cure else ""), file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        print("\nStopped by you.", file=sys.stderr)
        return 130
    print(HELP)
    return 0 if command in ("", "help", "-h", "--help") else 1
