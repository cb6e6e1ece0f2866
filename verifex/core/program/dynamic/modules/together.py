"""`threading`, `queue` and `asyncio`: what runs beside each other."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.calling import LATER, call
from verifex.core.program.dynamic.strands import Task, Tasks, threads
from verifex.core.program.dynamic.values import Builtin, FunctionKind, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.own_state import own_state
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At


class Awaited(Thing):
    """What `await` waits for: `wait` does, and gives the value."""

    name = "coroutine"

    def __init__(self, wait: Callable[[Machine, At], Any]) -> None:
        self.wait = wait

    def state(self) -> Any:
        return object()


def awaited(m: Machine, value: Any, at: At) -> Any:
    """`await value`."""
    if isinstance(value, Awaited):
        return value.wait(m, at)
    if isinstance(value, _Running):
        value.loop.tasks.until(m, lambda: value.task.done, at)
        return value.task.do_result(m, at)
    raise error("TypeError", "this cannot be awaited", at)


class _Running(Thing):
    """A coroutine that runs by itself."""

    name = "Task"

    def __init__(self, loop: "_Loop", m: Machine, coroutine: Any, at: At) -> None:
        self.loop = loop
        self.task = loop.tasks.begin(m, lambda: awaited(m, coroutine, at), at)

    def do_cancel(self, m: Machine, at: At) -> bool:
        return self.task.do_cancel(m, at)

    def do_done(self, m: Machine, at: At) -> bool:
        return self.task.done

    def do_result(self, m: Machine, at: At) -> Any:
        return self.task.do_result(m, at)

    def state(self) -> Any:
        return object()


class _Loop(Thing):
    """The loop that runs coroutines."""

    name = "loop"

    def __init__(self) -> None:
        self.tasks = Tasks()

    def do_create_task(self, m: Machine, at: At, coroutine: Any, **_: Any) -> _Running:
        return _Running(self, m, coroutine, at)

    def do_run_until_complete(self, m: Machine, at: At, coroutine: Any) -> Any:
        running = coroutine if isinstance(coroutine, _Running) else _Running(self, m, coroutine, at)
        self.tasks.until(m, lambda: running.task.done, at)
        return running.task.do_result(m, at)

    def do_run_forever(self, m: Machine, at: At) -> None:
        self.tasks.until(m, lambda: False, at)

    def do_close(self, m: Machine, at: At) -> None: ...
    def do_stop(self, m: Machine, at: At) -> None: ...

    def state(self) -> Any:
        return object()


def _loop(m: Machine, *_: Any) -> _Loop:
    return own_state(m, "loop", _Loop)


def _sleep(scale: float) -> Any:
    def sleep(m: Machine, at: At, duration: float = 0.0, *_: Any) -> Awaited:
        return Awaited(lambda m_, at_: _loop(m_).tasks.wait(m_, max(1.0, duration * scale), at_))

    return Builtin("sleep", sleep)


def _gather(m: Machine, at: At, *coroutines: Any, **_: Any) -> Awaited:
    loop = _loop(m)

    def wait(m_: Machine, at_: At) -> list[Any]:
        running = [one if isinstance(one, _Running) else _Running(loop, m_, one, at_) for one in coroutines]
        loop.tasks.until(m_, lambda: all(one.task.done for one in running), at_)
        return [one.task.do_result(m_, at_) for one in running]

    return Awaited(wait)


class _Flag(Thing):
    """An event of threads or coroutines: set or not."""

    name = "Event"

    def __init__(self, tasks: Callable[[Machine], Tasks], *, is_awaited: bool) -> None:
        self.is_set, self.tasks, self.is_awaited = False, tasks, is_awaited

    def get(self, m: Machine, name: str, at: At) -> Any:
        if name == "is_set":
            return Builtin(name, lambda m_, at_: self.is_set)
        return super().get(m, name, at)

    def do_set(self, m: Machine, at: At) -> None:
        self.is_set = True

    def do_clear(self, m: Machine, at: At) -> None:
        self.is_set = False

    def do_wait(self, m: Machine, at: At, timeout: float | None = None) -> Any:
        def wait(m_: Machine, at_: At) -> bool:
            until = m_.now_us + timeout * 1e6 if timeout is not None else float("inf")
            tasks = self.tasks(m_)
            while not self.is_set and m_.now_us < until:
                tasks.wait(m_, min(POLL_US, until - m_.now_us), at_)
            return self.is_set

        return Awaited(wait) if self.is_awaited else wait(m, at)

    def state(self) -> Any:
        return self.is_set


POLL_US = 1000.0


class _Lock(Thing):
    """One strand at a time holds it."""

    name = "lock"

    def __init__(self, tasks: Callable[[Machine], Tasks]) -> None:
        self.held, self.tasks = False, tasks

    def enter(self, m: Machine, at: At) -> Any:
        self.do_acquire(m, at)
        return self

    def do_acquire(self, m: Machine, at: At, *_: Any, **__: Any) -> bool:
        self.tasks(m).until(m, lambda: not self.held, at)
        self.held = True
        return True

    def do_release(self, m: Machine, at: At) -> None:
        self.held = False

    do_close = do_release

    def do_locked(self, m: Machine, at: At) -> bool:
        return self.held

    def state(self) -> Any:
        return self.held


class _Queue(Thing):
    """Values that one strand puts in and another takes out."""

    name = "Queue"

    def __init__(self, tasks: Callable[[Machine], Tasks], *, is_awaited: bool) -> None:
        self.items: list[Any] = []
        self.tasks, self.is_awaited = tasks, is_awaited

    def do_put(self, m: Machine, at: At, value: Any, *_: Any, **__: Any) -> Any:
        m.take(1, at)
        self.items.append(value)
        return Awaited(lambda m_, at_: None) if self.is_awaited else None

    def do_put_nowait(self, m: Machine, at: At, value: Any) -> None:
        self.do_put(m, at, value)

    def do_get(self, m: Machine, at: At, block: bool = True, timeout: float | None = None) -> Any:
        def wait(m_: Machine, at_: At) -> Any:
            self.tasks(m_).until(m_, lambda: bool(self.items), at_)
            return self.items.pop(0)

        if not block or timeout is not None:
            return self.do_get_nowait(m, at)
        return Awaited(wait) if self.is_awaited else wait(m, at)

    def do_get_nowait(self, m: Machine, at: At) -> Any:
        if not self.items:
            raise error("RuntimeError", "Empty", at)
        return self.items.pop(0)

    def do_empty(self, m: Machine, at: At) -> bool:
        return not self.items

    def do_qsize(self, m: Machine, at: At) -> int:
        return len(self.items)

    def do_task_done(self, m: Machine, at: At) -> None: ...

    def state(self) -> Any:
        return len(self.items)


class _Thread(Thing):
    name = "Thread"

    def __init__(
        self, m: Machine, at: At, *_: Any, target: Any = None, args: Any = (), kwargs: Any = None, **__: Any
    ) -> None:
        if target is None:
            raise Ended("unsupported", at, "a thread without a target")
        self.run: Callable[[], Any] = lambda: call(m, target, tuple(args), dict(kwargs or {}), at)
        self.task: Task | None = None

    def do_start(self, m: Machine, at: At) -> None:
        m.activity += 1
        self.task = threads(m).begin(m, self.run, at)
        threads(m).turn(m) if threads(m).running is None else None

    def do_join(self, m: Machine, at: At, timeout: float | None = None) -> None:
        task = self.task
        if task is not None and timeout is None:
            threads(m).until(m, lambda: task.done, at)
        elif timeout is not None:
            threads(m).wait(m, timeout * 1e6, at)

    def do_is_alive(self, m: Machine, at: At) -> bool:
        return self.task is not None and not self.task.done

    def set_daemon(self, m: Machine, at: At, value: Any) -> None: ...

    def state(self) -> Any:
        return object()


class _Timer(Thing):
    name = "Timer"

    def __init__(self, m: Machine, at: At, seconds: float, function: Any, args: Any = (), kwargs: Any = None) -> None:
        self.cancelled = False
        self.act: Callable[[], Any] = lambda: call(m, function, tuple(args or ()), dict(kwargs or {}), at)
        self.us, self.at = seconds * 1e6, at

    def do_start(self, m: Machine, at: At) -> None:
        tasks = threads(m)

        def run() -> None:
            tasks.wait(m, self.us, at)
            if not self.cancelled:
                self.act()

        tasks.begin(m, run, at)
        if tasks.running is None:
            tasks.turn(m)

    def do_cancel(self, m: Machine, at: At) -> None:
        self.cancelled = True

    def set_daemon(self, m: Machine, at: At, value: Any) -> None: ...

    def state(self) -> Any:
        return object()


def _new_thread(m: Machine, at: At, function: Any, args: Any = ()) -> None:
    _Thread(m, at, target=function, args=args).do_start(m, at)


def _tasks_of_loop(m: Machine) -> Tasks:
    return _loop(m).tasks


THREADS: dict[str, Any] = {
    "Thread": Builtin("Thread", lambda m, at, *args, **named: _Thread(m, at, *args, **named)),
    "Timer": Builtin("Timer", lambda m, at, *args, **named: _Timer(m, at, *args, **named)),
    "Event": Builtin("Event", lambda m, at: _Flag(threads, is_awaited=False)),
    "Lock": Builtin("Lock", lambda m, at: _Lock(threads)),
    "RLock": Builtin("RLock", lambda m, at: _Lock(threads)),
}
SMALL_THREADS: dict[str, Any] = {
    "start_new_thread": Builtin("start_new_thread", _new_thread),
    "allocate_lock": Builtin("allocate_lock", lambda m, at: _Lock(threads)),
}
QUEUES: dict[str, Any] = {"Queue": Builtin("Queue", lambda m, at, *_: _Queue(threads, is_awaited=False))}
LOOP: dict[str, Any] = {
    "run": Builtin("run", lambda m, at, coroutine, **_: _loop(m).do_run_until_complete(m, at, coroutine)),
    "sleep": _sleep(1e6),
    "sleep_ms": _sleep(1e3),
    "gather": Builtin("gather", _gather),
    "create_task": Builtin("create_task", lambda m, at, coroutine, **_: _Running(_loop(m), m, coroutine, at)),
    "ensure_future": Builtin("ensure_future", lambda m, at, coroutine: _Running(_loop(m), m, coroutine, at)),
    "get_event_loop": Builtin("get_event_loop", lambda m, at: _loop(m)),
    "new_event_loop": Builtin("new_event_loop", lambda m, at: _loop(m)),
    "get_running_loop": Builtin("get_running_loop", lambda m, at: _loop(m)),
    "Event": Builtin("Event", lambda m, at: _Flag(_tasks_of_loop, is_awaited=True)),
    "Queue": Builtin("Queue", lambda m, at, *_: _Queue(_tasks_of_loop, is_awaited=True)),
}
LATER[FunctionKind.COROUTINE] = lambda m, run: Awaited(lambda m_, at: run())
