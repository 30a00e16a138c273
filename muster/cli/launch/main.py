"""What ``crisp`` answers to."""

from __future__ import annotations

import contextlib
import os
import subprocess
import sys
from pathlib import Path
from typing import NoReturn

from muster.cli.launch.steps import (
    PYTHON,
    ROOT,
    RUN,
    SETTINGS,
    Stop,
    compile_planner,
    environment,
    install_python,
    say,
)

HELP = """crisp COMMAND

  demo [--fresh]        install what is missing, start with demo data, print the address
  start                 the same without demo data
  test [PYTEST WORDS]   set up, then run every check and test
  backup FILE           write every account and muster into a file, also while it runs
  restore FILE          put everything back as it is in such a file
  drill kill|load|fuzz|full [N]
                        show that nothing is lost, and how fast it is; docs/reliability.md
  shots                 take the pictures in docs/screenshots anew
  plan FILE.json        plan a problem or a muster; 'crisp plan --help' says more
  check RECIPE.json     look a recipe over; 'crisp check --help' says more
  mix SHELF.csv --target "#6b7a3a"
                        the best mixes of those paints for a colour
  mix SHELF.csv --parts "3 Post red, 1 Tarn black"
                        what a stated mix dries to; 'crisp mix --help' says more

Everything it makes lies in .run/; delete that folder to begin from nothing."""


def main(words: list[str]) -> int:
    """Carry out the command; anything else gets a helpful answer."""
    command, rest = (words[0], words[1:]) if words else ("", [])
    try:
        match command, rest:
            case "demo", [] | ["--fresh"]:
                return _serve(demo=True, fresh=bool(rest))
            case "start", []:
                return _serve(demo=False)
            case "test", _:
                return _test(rest)
            case "backup" | "restore", [name]:
                return _backup(command, name)
            case "drill", ["kill" | "load" | "fuzz" | "full" as name, *more]:
                return _drill(name, more)
            case "shots", []:
                return _test(["tests/browser/shots.py"])
            case "plan", _:
                return _quietly("muster.cli.plan", rest)
            case "mix", _:
                return _quietly("muster.cli.mix", rest)
            case "check", _:
                return _quietly("muster.cli.check", rest)
            case (("" | "help" | "--help" | "-h"), _):
                say(HELP)
                return 0
            case _:
                say(f"crisp: there is no '{' '.join(words)}'.\n\n{HELP}")
                return 2
    except Stop as stop:
        say(f"\ncrisp: {stop}")
        return 1
    except KeyboardInterrupt:
        say("\nEnded.")
        return 130


def _serve(*, demo: bool, fresh: bool = False) -> int:
    # Loaded only for these: a command that reads a file starts at once.
    from muster.cli.launch.serve import serve

    return serve(demo=demo, fresh=fresh)


def _backup(command: str, name: str) -> int:
    from muster.cli.launch import backup

    act = backup.backup if command == "backup" else backup.restore
    return act(Path(name).expanduser().resolve())


def _drill(name: str, more: list[str]) -> int:
    if name == "fuzz":
        os.environ["CRISP_EXAMPLES"] = more[0] if more else "200"
        return _test(["tests/apps/test_fuzzed.py", "tests/apps/test_accepted.py"])
    install_python(dev=False)
    words = [str(PYTHON), "-m", "muster.cli.drills", name, *more]
    return subprocess.run(words, cwd=ROOT, env=environment()).returncode


def _test(words: list[str]) -> int:
    from muster.cli.launch.testing import test

    return test(words)


FAULT = 70
"""Where the command itself could not be run: 1 is for findings."""


def _quietly(module: str, rest: list[str]) -> NoReturn:
    """Run a command of ours that prints its result on standard output, and nothing else there."""
    if not (PYTHON.exists() and (RUN / "stamps" / "planner,-compiled").exists()):
        try:
            with contextlib.redirect_stdout(sys.stderr):
                RUN.mkdir(parents=True, exist_ok=True)
                install_python(dev=False)
                compile_planner()
        except Stop as stop:
            print(f"\ncrisp: {stop}", file=sys.stderr)
            sys.exit(FAULT)
    words = [str(PYTHON), "-X", "utf8", "-m", module, *rest]
    # Nothing plugs into the validation; looking for what does takes as long as a small match.
    paths = {"PYTHONPATH": str(ROOT), "PYDANTIC_DISABLE_PLUGINS": "__all__", **SETTINGS}
    # In this process's place, so that pipes, signals and exit codes are the command's own.
    os.execve(words[0], words, {**environment(), **paths})
