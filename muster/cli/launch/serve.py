"""Starting the server and the worker, and watching over them."""

from __future__ import annotations

import json
import os
import shutil
import signal
import subprocess
import time
import urllib.error
import urllib.request
from collections.abc import Callable

from muster.cli.launch import database, database_home
from muster.cli.launch.steps import (
    PYTHON,
    ROOT,
    RUN,
    SETTINGS,
    Compiling,
    Stop,
    build_front_end,
    collect_static,
    digest,
    install_packages,
    install_python,
    run,
    say,
    step,
)
from muster.cli.launch.watch import Pulse, end, rotate, start


def prepare(dev: bool) -> Compiling:
    """Everything that needs no running server; the planner is compiled beside the other steps."""
    database_home.close_off()
    install_packages(browser=dev)
    install_python(dev)
    compiling = Compiling()
    build_front_end()
    database_home.make_folder()
    return compiling


def migrate(anew: bool = False) -> None:
    """Tables as today's code wants them. ``anew``: they were put there by something else."""
    made = str((database_home.DATA / "ibdata1").stat().st_ctime_ns // 10**12)
    step(
        "tables",
        digest(sorted((ROOT / "muster" / "apps").glob("*/migrations")), made),
        lambda: run([str(PYTHON), "manage.py", "migrate", "--noinput"], more=SETTINGS),
        good=not anew,
    )


def serve(demo: bool, fresh: bool = False, port: int = 8000) -> int:
    """Bring everything up, say where, and watch until Ctrl-C."""
    begun = time.monotonic()
    say("Crisp Muster")
    at = running()
    if at is not None:
        say(f"It runs already at {at}; end that one first to start anew.")
        return 0
    for number in (signal.SIGTERM, signal.SIGINT):
        signal.signal(number, _interrupt)
    compiling = prepare(dev=False)
    base = database.start_database(alone=True)
    children: dict[str, subprocess.Popen[bytes]] = {}
    rest: subprocess.Popen[str] | None = None
    try:
        # What another program worked out may mean something else to this one.
        shutil.rmtree(RUN / "plans", ignore_errors=True)
        database.prepare()
        migrate()
        collect_static()
        compiling.finish()
        more = {**SETTINGS, "CRISP_DEMO": "1" if demo else "0"}
        if demo:
            words = ["--fresh"] if fresh else []
            begun_demo = time.monotonic()
            run([str(PYTHON), "manage.py", "load_demo", *words], more=more)
            say(f"  {'demo':<28} {time.monotonic() - begun_demo:5.1f} s")
        port = database.free_port(port)
        starters: dict[str, Callable[[], subprocess.Popen[bytes]]] = {
            "server": lambda: start(
                [str(PYTHON), "-m", "gunicorn", "muster.wsgi", "--bind", f"127.0.0.1:{port}",
                 "--workers", "1", "--threads", "64", "--timeout", "60", "--no-control-socket"],
                RUN / "server.log", CRISP_PROCESSES=str(max(2, os.cpu_count() or 2)), **more,
            ),
            "worker": lambda: start(
                [str(PYTHON), "manage.py", "work"], RUN / "worker.log", **more
            ),
        }  # fmt: skip
        for name, starter in starters.items():
            children[name] = starter()
        rest = compiling.rest()
        _wait(port, children["server"])
        (RUN / "address").write_text(f"http://127.0.0.1:{port}/")
        say(f"\nReady after {time.monotonic() - begun:.1f} s: http://127.0.0.1:{port}/")
        say("Open the demo with its one button, or sign up." if demo else "Sign up or sign in.")
        say("Ctrl-C ends server, worker and database.")
        pulse = Pulse(lambda: _answers(port))
        while True:
            time.sleep(1)
            if pulse.lost(time.monotonic()):
                say("The server does not answer; it is started again.")
                end(children["server"])
            if base is not None and base.poll() is not None:
                say("The database ended by itself; it is started again.")
                base = database.start_database(alone=True)
            for log in RUN.glob("*.log"):
                rotate(log)
            for name, starter in starters.items():
                if children[name].poll() is not None:
                    say(f"The {name} ended; it is started again.")
                    children[name] = starter()
    except KeyboardInterrupt:
        say("\nEnding.")
        return 0
    finally:
        for child in children.values():
            end(child)
        if rest is not None:
            rest.terminate()
        database.end(base)
        (RUN / "address").unlink(missing_ok=True)


def running() -> str | None:
    """The address at which an earlier start of this folder still answers."""
    try:
        address = (RUN / "address").read_text()
        with urllib.request.urlopen(f"{address}healthz", timeout=2):
            return address
    except (OSError, ValueError):
        return None


def _answers(port: int) -> bool:
    """Whether the server says anything, were it that the database is away."""
    try:
        with urllib.request.urlopen(f"http://127.0.0.1:{port}/healthz", timeout=5):
            return True
    except urllib.error.HTTPError:
        return True
    except OSError:
        return False


def _interrupt(number: int, frame: object) -> None:
    raise KeyboardInterrupt


def _wait(port: int, server: subprocess.Popen[bytes]) -> None:
    until = time.monotonic() + 60
    while time.monotonic() < until:
        if server.poll() is not None:
            raise Stop(f"the server did not start: see {RUN / 'server.log'}")
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/healthz", timeout=2) as answer:
                if json.load(answer)["database"]:
                    return
        except OSError:
            pass
        time.sleep(0.1)
    raise Stop(f"the server did not answer within a minute: see {RUN / 'server.log'}")
