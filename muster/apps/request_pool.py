"""Requests that plan, match or measure are answered by processes of their own, under limits.

So that a tick is acknowledged at once whatever else is being worked out: the process that answers
light requests computes nothing, and what takes too long is ended with its process.
"""

from __future__ import annotations

import ctypes
import gc
import io
import logging
import os
import re
import resource
import signal
import socket
import threading
import time
from collections.abc import Callable, Iterable, Iterator
from concurrent.futures import Future
from concurrent.futures import TimeoutError as TookTooLong
from concurrent.futures.process import BrokenProcessPool
from contextlib import contextmanager, suppress
from dataclasses import dataclass, field
from multiprocessing import get_context
from typing import Any

from django.conf import settings
from django.core.handlers.wsgi import WSGIHandler
from django.core.wsgi import get_wsgi_application
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.urls import resolve
from pebble import ProcessExpired, ProcessPool

from muster.apps.standing_back import stand_back
from muster.core.plan.warm import load_kernels

LIGHT = re.compile(
    r"^(?!/api/)|^/api/(me|sign-in|sign-up|sign-out|open-demo|vocabulary|dial|devices/\w+|typed"
    r"|typed-unit|musters/\d+/facts)$"
)
"""What is answered at once, in the process that took it."""

log = logging.getLogger("muster")

LEFT_S = 10.0
"""So long something is still worked on that nobody waits for any more."""
LOOK_S = 0.5
BYTES = 4_000_000_000
"""Of address space of a process that answers; compiled code takes the first of them."""
NICER = 8
"""By so much a process that computes stands back behind one that acknowledges."""
MOST_OF_ONE, MOST_OF_ALL = 6, 40
"""Requests worked on or waiting: of one session, and together."""
WAIT_S = 8.0
"""How long a session's next request waits for one of its others."""
_DEATH_SIGNAL = 1  # PR_SET_PDEATHSIG

BUSY = "much is being worked out at once: wait a few seconds, then try again"
TOO_LONG = (
    "this takes longer than {:g} seconds and was ended. Look whether it was kept; if not, "
    "make it smaller: fewer models, shorter waits, a simpler mesh"
)
ENDED = "what worked on this ended before it answered: look whether it was kept, else try again"


@dataclass(frozen=True)
class Sent:
    """A request as it goes to another process."""

    environ: dict[str, str]
    body: bytes


@dataclass(frozen=True)
class Answered:
    """What that process answers."""

    status: int
    headers: list[tuple[str, str]]
    body: bytes


@dataclass
class _Here:
    """What this process is: one that has a pool, or one of a pool (with a handler), or neither."""

    pool: ProcessPool | None = None
    processes: int = 0
    free: threading.Semaphore = field(default_factory=lambda: threading.Semaphore(0))
    renewing: threading.Lock = field(default_factory=threading.Lock)
    handler: WSGIHandler | None = None


_here = _Here()


def _begin(nicer: int) -> None:
    """In a process that answers: its limits, the application, what its handlers import, and what
    was compiled. All of it before the time of a request begins: on a slow machine, else, each
    first request would be ended, with its process, and so would the next one."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    ctypes.CDLL(None).prctl(_DEATH_SIGNAL, signal.SIGKILL)
    stand_back(nicer)
    resource.setrlimit(resource.RLIMIT_AS, (BYTES, BYTES))
    _here.handler = get_wsgi_application()
    resolve("/healthz")
    load_kernels()
    # What is loaded now stays; looking through it again and again is a fifth of a large read.
    gc.collect()
    gc.freeze()


def _answer(sent: Sent) -> Answered:
    assert _here.handler is not None
    told: list[Any] = []

    def start(
        status: str, headers: list[tuple[str, str]], info: Any = None
    ) -> Callable[[bytes], object]:
        told.extend((int(status.split()[0]), headers))
        return lambda part: None

    environ = {
        **sent.environ, "wsgi.input": io.BytesIO(sent.body), "wsgi.url_scheme": "http",
        "wsgi.errors": io.StringIO(), "wsgi.multithread": False, "wsgi.multiprocess": True,
        "wsgi.version": (1, 0),
    }  # fmt: skip
    if sent.environ.get("HTTPS") == "on":
        environ["wsgi.url_scheme"] = "https"
    answer: Iterable[bytes] = _here.handler(environ, start)
    body = b"".join(answer)
    getattr(answer, "close", lambda: None)()
    return Answered(told[0], told[1], body)


@dataclass
class _Queue:
    """Who has how many requests under way."""

    lock: threading.Condition = field(default_factory=threading.Condition)
    mine: dict[str, int] = field(default_factory=dict)

    @contextmanager
    def place(self, who: str) -> Iterator[bool]:
        """A place for a request of a session; False where there is none for it."""

        def free() -> bool:
            few = self.mine.get(who, 0) < MOST_OF_ONE
            return few and sum(self.mine.values()) < MOST_OF_ALL

        with self.lock:
            given = self.lock.wait_for(free, WAIT_S)
            if given:
                self.mine[who] = self.mine.get(who, 0) + 1
        try:
            yield given
        finally:
            if given:
                with self.lock:
                    self.mine[who] -= 1
                    if not self.mine[who]:
                        del self.mine[who]
                    self.lock.notify_all()


_queue = _Queue()


def begin(processes: int) -> None:
    """Start the processes that answer; they end with this one."""
    pool = ProcessPool(
        max_workers=processes, initializer=_begin, initargs=(NICER,), context=get_context("spawn")
    )
    # They wake before anybody asks.
    for _ in range(processes):
        pool.schedule(os.getpid)
    _here.pool, _here.processes, _here.free = pool, processes, threading.Semaphore(processes)


def _lives() -> bool:
    return _here.pool is not None and _here.pool.active


class Patience:
    """How long somebody is waited for who asked: ``most_s`` in all."""

    def __init__(self, request: HttpRequest, most_s: float) -> None:
        self.request, self.most_s = request, most_s
        self.begun = time.monotonic()
        self.left: float | None = None

    def look(self, waits: bool) -> None:
        """Raises TookTooLong where it takes too long, or where whoever asked has left: at once
        while it ``waits`` its turn and changes nothing, after ``LEFT_S`` else."""
        now = time.monotonic()
        if now - self.begun > self.most_s:
            raise TookTooLong
        self.left = (self.left or now) if _has_left(self.request) else None
        at_once = waits and self.request.method == "GET"
        if self.left is not None and (at_once or now - self.left > LEFT_S):
            raise TookTooLong


def _given(sent: Sent, seconds: float, patience: Patience) -> Future[Answered]:
    """A request given to a process once one is free. Raises TookTooLong as ``patience`` does.

    None lies in the pool's own queue: one that is given up there still ends the process that takes
    it up, and readers who leave while the processes wake would have them ended again and again.
    """
    while True:
        _mend()
        free = _here.free
        if free.acquire(timeout=LOOK_S):
            with suppress(RuntimeError):  # It ended since it was looked at.
                return _scheduled(sent, seconds, free)
            free.release()
        patience.look(waits=True)


def _scheduled(sent: Sent, seconds: float, free: threading.Semaphore) -> Future[Answered]:
    assert _here.pool is not None
    future: Future[Answered] = _here.pool.schedule(_answer, args=(sent,), timeout=seconds)
    future.add_done_callback(lambda _: free.release())
    return future


def _mend() -> None:
    """A pool whose process was killed at a bad moment takes nothing any more; another takes its
    place."""
    with _here.renewing:
        if _here.pool is not None and not _here.pool.active:
            log.error("the processes that answer are begun anew")
            _here.pool.stop()  # type: ignore[no-untyped-call]
            begin(_here.processes)


class RequestPool:
    """Middleware that hands what is not light to the processes; without any, answers itself."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, here or there."""
        if _here.pool is None or LIGHT.match(request.path):
            return self.get_response(request)
        who = request.COOKIES.get(settings.SESSION_COOKIE_NAME) or request.META["REMOTE_ADDR"]
        with _queue.place(who) as given:
            if not given:
                return _trouble(429, BUSY)
            environ = {k: v for k, v in request.META.items() if isinstance(v, str)}
            if request.is_secure():
                environ["HTTPS"] = "on"
            sent = Sent(environ, request.read())
            seconds = settings.REQUEST_SECONDS
            patience = Patience(request, 2 * seconds)
            future: Future[Answered] | None = None
            try:
                future = _given(sent, seconds, patience)
                answered = _awaited(future, patience, _lives)
            except TookTooLong:
                if future is not None and future.running():
                    future.cancel()
                return _trouble(503, TOO_LONG.format(seconds))
            except (ProcessExpired, BrokenProcessPool, MemoryError):
                return _trouble(503, ENDED)
        return _response(answered)


def _awaited(future: Future[Answered], patience: Patience, lives: Callable[[], bool]) -> Answered:
    """What a process answers. Raises ProcessExpired where nothing ``lives`` any more that could,
    TookTooLong as ``patience`` does, or where the process was ended."""
    while True:
        try:
            return future.result(LOOK_S)
        except TookTooLong:
            if future.done():
                raise
            if not lives():
                raise ProcessExpired(ENDED) from None  # type: ignore[no-untyped-call]
            patience.look(waits=not future.running())


def _has_left(request: HttpRequest) -> bool:
    """Whether the connection on which something was asked is closed."""
    connection: socket.socket | None = request.META.get("gunicorn.socket")
    if connection is None:
        return False
    try:
        return not connection.recv(1, socket.MSG_PEEK | socket.MSG_DONTWAIT)
    except BlockingIOError:
        return False
    except OSError:
        return True


def _trouble(status: int, words: str) -> HttpResponse:
    answer = JsonResponse({"complaints": [words]}, status=status)
    answer["Retry-After"] = "5"
    return answer


def _response(answered: Answered) -> HttpResponse:
    answer = HttpResponse(answered.body, status=answered.status)
    for name, value in answered.headers:
        if name.lower() == "set-cookie":
            answer.cookies.load(value)
        else:
            answer[name] = value
    return answer
