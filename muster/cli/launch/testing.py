"""``crisp test``: every check there is, in the order in which they fail fastest."""

from __future__ import annotations

import subprocess
import sys
import tempfile
import time
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from typing import IO

from muster.cli.launch import database
from muster.cli.launch.serve import migrate, prepare
from muster.cli.launch.steps import PYTHON, ROOT, RUN, SETTINGS, VENV, environment, npm, say

UNFINISHED = RUN / "tests-unfinished"

BESIDE = ("tests/apps", "tests/core/plan")
"""About as long as all the others, of which the browser takes most."""

AT_ONCE = 2
"""So many checks: each takes one core."""


def test(words: list[str]) -> int:
    """Set up, then check and test everything; ``words`` go to pytest."""
    say("Crisp Muster: setting up")
    compiling = prepare(dev=True)
    base = database.start_database()
    try:
        database.prepare(tests=True)
        migrate()
        failed = [] if words else _failed_checks()
        compiling.finish()
        rest = compiling.rest()
        if rest is not None:
            rest.wait()
        code = _tests(words)
        if failed:
            say(f"Failed checks: {', '.join(failed)}")
        return 1 if failed else code
    finally:
        database.end(base)


def _failed_checks() -> list[str]:
    """The names of the checks that fail, each said as it ends."""
    tool = VENV / "bin"
    runner = npm()
    web = ROOT / "web"
    manage = [str(PYTHON), "manage.py"]
    checks: list[tuple[str, list[str], Path]] = [
        ("format, Python", [str(tool / "ruff"), "format", "--check", "-q", "."], ROOT),
        ("lint, Python", [str(tool / "ruff"), "check", "-q", "."], ROOT),
        ("types, Python", [str(tool / "mypy")], ROOT),
        ("import contracts", [str(tool / "lint-imports")], ROOT),
        ("migrations", [*manage, "makemigrations", "--check", "--dry-run"], ROOT),
        ("Django's checks", [*manage, "check", "--fail-level", "WARNING"], ROOT),
        ("API and schemas, drift", [str(PYTHON), "-m", "muster.cli.publish", "--check"], ROOT),
        ("API types, drift", [*runner, "run", "types:check"], web),
        ("format, front end", [*runner, "run", "format"], web),
        ("lint, front end", [*runner, "run", "lint"], web),
        ("types, front end", [*runner, "run", "check"], web),
        ("tests, front end", [*runner, "run", "test"], web),
    ]
    say("Checks")

    def carry_out(check: tuple[str, list[str], Path]) -> tuple[str, float, int, str]:
        name, command, where = check
        begun = time.monotonic()
        result = subprocess.run(
            command, cwd=str(where), env={**environment(), **SETTINGS},
            capture_output=True, text=True,
        )  # fmt: skip
        told = result.stdout[-5000:] + result.stderr[-3000:]
        return name, time.monotonic() - begun, result.returncode, told

    failed = []
    with ThreadPoolExecutor(AT_ONCE) as pool:
        for name, took, code, told in pool.map(carry_out, checks):
            say(f"  {name:<28} {took:5.1f} s  {'FAILED' if code else 'ok'}")
            if code:
                failed.append(name)
                sys.stdout.write(f"{told}\n")
    return failed


def _tests(words: list[str]) -> int:
    """Run the tests; ``words`` go to pytest. Without any, those of application and planner run
    beside the others, on the second core and in a database of their own."""
    say("Tests")
    # A run that was cut off left its rows in the test database: begin with a new one then.
    anew = ["--create-db"] if UNFINISHED.exists() else []
    UNFINISHED.touch()
    if words:
        code = _pytest([*anew, *words]).wait()
    else:
        with tempfile.TemporaryFile() as told:
            beside = _pytest([*anew, *BESIDE], told, "test_crisp_muster_apps")
            code = _pytest([*anew, *(f"--ignore={one}" for one in BESIDE)]).wait()
            code = max(code, beside.wait())
            told.seek(0)
            say(told.read().decode())
    if code in (0, 1):
        UNFINISHED.unlink()
    return code


def _pytest(
    words: list[str], told: IO[bytes] | None = None, tables: str = "test_crisp_muster"
) -> subprocess.Popen[bytes]:
    """pytest, begun, in the database ``tables``; what it says goes to ``told`` where given."""
    return subprocess.Popen(
        [str(PYTHON), "-m", "pytest", *words], cwd=ROOT,
        env={**environment(), "CRISP_RUN_DIR": str(RUN), "CRISP_TEST_DATABASE": tables},
        stdout=told, stderr=None if told is None else subprocess.STDOUT,
    )  # fmt: skip
