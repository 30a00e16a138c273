"""What nobody waits for any more is not worked on for long."""

from __future__ import annotations

import socket
import threading
import time
from collections.abc import Iterator
from concurrent.futures import Future
from concurrent.futures import TimeoutError as TookTooLong

import pytest
from django.http import HttpRequest
from django.test import RequestFactory
from pebble import ProcessExpired

from muster.apps import request_pool
from muster.apps.request_pool import Answered, Patience, Sent, _awaited, _given

ANSWER = Answered(200, [], b"{}")


@pytest.fixture(autouse=True)
def soon(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(request_pool, "LOOK_S", 0.01)
    monkeypatch.setattr(request_pool, "LEFT_S", 0.1)


@pytest.fixture
def line() -> Iterator[tuple[socket.socket, socket.socket]]:
    """The server's end of a connection, and the asker's."""
    ours, theirs = socket.socketpair()
    with ours, theirs:
        yield ours, theirs


def asked(ours: socket.socket, method: str = "GET") -> HttpRequest:
    request = RequestFactory().generic(method, "/api/musters/1")
    request.META["gunicorn.socket"] = ours
    return request


def waited_s(future: Future[Answered], ours: socket.socket, method: str) -> float:
    """How long until it is given up."""
    begun = time.monotonic()
    with pytest.raises(TookTooLong):
        _awaited(future, Patience(asked(ours, method), 5), lambda: True)
    return time.monotonic() - begun


def test_a_read_that_waits_its_turn_is_dropped_as_soon_as_its_asker_has_left(
    line: tuple[socket.socket, socket.socket],
) -> None:
    ours, theirs = line
    theirs.close()
    assert waited_s(Future(), ours, "GET") < 0.1


@pytest.mark.parametrize("method", ["GET", "POST"])
def test_what_is_worked_on_or_would_change_something_is_dropped_a_while_later(
    line: tuple[socket.socket, socket.socket], method: str
) -> None:
    ours, theirs = line
    theirs.close()
    future: Future[Answered] = Future()
    if method == "GET":
        future.set_running_or_notify_cancel()
    assert 0.1 <= waited_s(future, ours, method) < 3


def test_whoever_stays_is_answered(line: tuple[socket.socket, socket.socket]) -> None:
    ours, _ = line
    looked = iter(range(5))

    class Later(Future[Answered]):
        def result(self, timeout: float | None = None) -> Answered:
            if next(looked, None) is None:
                return ANSWER
            raise TookTooLong

    assert _awaited(Later(), Patience(asked(ours), 5), lambda: True) == ANSWER


def test_who_waits_for_processes_that_are_gone_is_told_so(
    line: tuple[socket.socket, socket.socket],
) -> None:
    ours, _ = line
    with pytest.raises(ProcessExpired):
        _awaited(Future(), Patience(asked(ours), 5), lambda: False)


def test_what_waits_for_a_free_process_is_given_to_none_once_its_asker_has_left(
    line: tuple[socket.socket, socket.socket], monkeypatch: pytest.MonkeyPatch
) -> None:
    given: list[object] = []

    class Pool:
        active = True

        def schedule(self, *work: object, **limits: object) -> Future[Answered]:
            given.append(work)
            return Future()

    monkeypatch.setattr(request_pool._here, "pool", Pool())
    monkeypatch.setattr(request_pool._here, "free", threading.Semaphore(1))
    ours, theirs = line
    sent = Sent({}, b"")
    working = _given(sent, 5, Patience(asked(ours), 5))
    theirs.close()
    with pytest.raises(TookTooLong):
        _given(sent, 5, Patience(asked(ours), 5))
    assert len(given) == 1
    working.set_result(ANSWER)
    _given(sent, 5, Patience(asked(ours), 5))
    assert len(given) == 2, "who is done makes room"
