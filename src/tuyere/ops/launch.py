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
  ./tuyere serve                       serve a real deployment (see README: environment variables)
  ./tuyere calc NAME < input.json      one calculation; also --list, NAME --schema, NAME --example
  ./tuyere db migrate | check          bring the database up to date; check it
  ./tuyere checks                      list the outside checks of the arithmetic
"""


def _hand_over(arguments: list[str]) -> int:
    python = setup.VENV / "bin" / "python"
    env = {**os.environ, "PYTHONPATH": str(setup.ROOT / "src")}
    os.chdir(setup.ROOT)
    os.execve(python, [str(python), "-m", "tuyere.cli", *arguments], env)


def demo(arguments: list[str]) -> int:
    """Set up for running, then start the demo."""
    progress = Progress(6)
    progress.step("Debian packages")
    setup.debian_packages(progress, with_browser=False)
    progress.step("Python environment")
    setup.python_environment(dev=False)
    progress.step("pages: build")
    setup.front_end_build()
    return _hand_over(["demo", *arguments])


def test(arguments: list[str]) -> int:
    """Set up for testing, then run every check in order; the first failure ends it."""
    progress = Progress(10)
    progress.step("Debian packages, with Chromium")
    setup.debian_packages(progress, with_browser=True)
    progress.step("Python environment")
    python = str(setup.python_environment(dev=True))
    progress.step("front-end packages")
    node = setup.front_end_packages()
    progress.step("pages: build")
    setup.front_end_build()
    bin_dir = setup.VENV / "bin"
    env = {**os.environ, "PYTHONPATH": str(setup.ROOT / "src"), "PATH": f"{bin_dir}:{os.environ.get('PATH', '')}"}
    checks = [
        ("ruff", [str(bin_dir / "ruff"), "check", "."], setup.ROOT, env),
        ("mypy", [str(bin_dir / "mypy")], setup.ROOT, env),
        ("import contracts", [str(bin_dir / "lint-imports"), "--no-logo"], setup.ROOT, env),
        ("eslint and vue-tsc", ["sh", "-c", "npx eslint . && npx vue-tsc --noEmit"], setup.FRONTEND, node),
        ("front-end unit tests", ["npx", "vitest", "run"], setup.FRONTEND, node),
        ("pytest", [python, "-m", "pytest", *arguments], setup.ROOT, env),
    ]
    for name, command, where, environment in checks:
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
        if command in ("serve", "calc", "db", "checks"):
            if not (setup.VENV / "bin" / "python").exists():
                setup.debian_packages(Progress(1), with_browser=False)
            setup.python_environment(dev=False)
            if command == "serve":
                setup.front_end_build()
            return _hand_over(arguments)
    except OpsError as e:
        print(f"\nStopped: {e.cause}\n" + (f"To cure it: {e.cure}\n" if e.cure else ""), file=sys.stderr)
        return 1
    except KeyboardInterrupt:
        print("\nStopped by you.", file=sys.stderr)
        return 130
    print(HELP)
    return 0 if command in ("", "help", "-h", "--help") else 1
