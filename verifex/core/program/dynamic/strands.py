"""Parts of a program that stop and go on: generators, threads, and coroutines with their loop.

Each runs on a strand of its own (a greenlet), so the closures need to know nothing of it. Time goes on only in the machine:
a strand that sleeps gives the word back, and whoever waits longest runs next.
"""

from collections.abc import Callable, Iterator
from typing import Any

from greenlet import getcurrent, greenlet

from verifex.core.program.dynamic.calling import LATER
from verifex.core.program.dynamic.values import FunctionKind, Raised, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.own_state import own_state
from verifex.core.program.tree import At

MOST_STRANDS = 200  # of one program at a time
Run = Callable[[], Any]


def switched(m: Machine, strand: greenlet, *given: Any, inside: "Generator | None" = None) -> Any:
    """Go over to a strand and come back; what a call needs of the machine is as it was before."""
    depth, returned, generator = m.depth, m.returned, m.own.get("generator")
    strand.parent = getcurrent()
    m.own["generator"] = inside
    result = strand.switch(*given)
    m.depth, m.returned = depth, returned
    m.own["generator"] = generator
    m.unsteady += 1
    return result


class Generator(Thing):
    """A function that gives its values one by one."""

    name = "generator"

    def __init__(self, m: Machine, run: Run) -> None:
        self.strand = greenlet(run)
        self.over = False

    def next_value(self, m: Machine, at: At, given: Any = None) -> Any:
        """The next value. Raises the program's StopIteration after the last."""
        m.step(at)
        if not self.over:
            found = switched(m, self.strand, *([given] if self.strand else []), inside=self)
            if not self.strand.dead:
                return found
            self.over = True
        raise error("StopIteration", "", at)

    def values(self, m: Machine, at: At) -> Iterator[Any]:
        while True:
            try:
                value = self.next_value(m, at)
            except Raised:
                if self.over:
                    return
                raise
            yield value

    def do_close(self, m: Machine, at: At) -> None:
        self.over = True

    def do_send(self, m: Machine, at: At, value: Any) -> Any:
        return self.next_value(m, at, value)

    def state(self) -> Any:
        return object()


def give(m: Machine, value: Any) -> Any:
    """`yield`: the value goes to whoever asked for it; what is sent back comes out."""
    generator = m.own["generator"]
    assert isinstance(generator, Generator)
    given = generator.strand.parent.switch(value)
    m.own["generator"] = generator
    return given


class Task(Thing):
    """A strand with the time from which it may go on; `waits_for` says whether what it waits for has come."""

    name = "Task"

    def __init__(self, run: Run, wake_us: float) -> None:
        self.strand = greenlet(self._run)
        self.run, self.wake_us = run, wake_us
        self.here: greenlet = self.strand  # where it goes on: its own strand, or a generator's on it
        self.hub: greenlet | None = None
        self.waits_for: Callable[[], bool] | None = None
        self.done = False
        self.result: Any = None
        self.wrong: Raised | None = None
        self.cancelled = False

    def _run(self) -> None:
        try:
            self.result = self.run()
        except Raised as wrong:
            self.wrong = wrong
        self.done = True

    def go_on(self, m: Machine) -> None:
        self.hub = getcurrent()
        self.waits_for = None
        if self.here is self.strand:
            switched(m, self.here)
            return
        depth, returned, generator = m.depth, m.returned, m.own.get("generator")
        self.here.switch()
        m.depth, m.returned, m.own["generator"] = depth, returned, generator

    def is_ready(self, now_us: float) -> bool:
        if self.done or self.cancelled:
            return False
        return self.waits_for() if self.waits_for is not None else self.wake_us <= now_us

    def pause(self) -> None:
        """Give the word back to whoever runs the tasks."""
        self.here = getcurrent()
        assert self.hub is not None
        self.hub.switch()
        self.here = self.strand if self.here is getcurrent() and self.here is self.strand else self.here

    def do_cancel(self, m: Machine, at: At) -> bool:
        self.cancelled = self.done = True
        return True

    def do_done(self, m: Machine, at: At) -> bool:
        return self.done

    def do_result(self, m: Machine, at: At) -> Any:
        if self.wrong is not None:
            raise self.wrong
        return self.result

    def state(self) -> Any:
        return object()


class Tasks:
    """The strands of a program that run beside each other; one at a time."""

    def __init__(self) -> None:
        self.tasks: list[Task] = []
        self.running: Task | None = None

    def begin(self, m: Machine, run: Run, at: At) -> Task:
        if len(self.tasks) >= MOST_STRANDS:
            raise error("RuntimeError", "can't start new thread", at)
        task = Task(run, m.now_us)
        self.tasks.append(task)
        return task

    def turn(self, m: Machine) -> bool:
        """Let each that is ready go on once; whether any did."""
        ready = [task for task in self.tasks if task.is_ready(m.now_us)]
        for task in ready:
            if not task.is_ready(m.now_us):
                continue
            before, self.running = self.running, task
            try:
                task.go_on(m)
            finally:
                self.running = before
        self.tasks = [task for task in self.tasks if not task.done]
        return bool(ready)

    def next_us(self) -> float:
        """When the next one wakes by itself."""
        return min((t.wake_us for t in self.tasks if t.waits_for is None and not t.done), default=float("inf"))

    def wait(self, m: Machine, us: float, at: At) -> None:
        """Time goes by for whoever sleeps: a task gives the word back, the program itself lets the tasks run meanwhile."""
        if self.running is not None:
            self.running.wake_us = m.now_us + us
            self.running.pause()
            return
        m.unsteady += 1  # what the others do meanwhile makes no pass like the one before
        until = m.now_us + us
        while m.now_us < until:
            m.step(at)
            self.turn(m)
            m.wait(max(1.0, min(until, self.next_us()) - m.now_us), at)
        self.turn(m)

    def until(self, m: Machine, over: Callable[[], bool], at: At) -> None:
        """Wait until something is so: a task gives the word back till then, the program itself runs the tasks."""
        if self.running is not None:
            while not over():
                self.running.waits_for = over
                self.running.pause()
            return
        m.unsteady += 1
        while not over():
            m.step(at)
            if not self.turn(m) and not over():
                wake = self.next_us()
                m.wait(max(1.0, min(wake, m.end_us) - m.now_us), at)


def threads(m: Machine) -> Tasks:
    """The threads of a program."""
    return own_state(m, "threads", Tasks)


def sleeps(m: Machine, us: float, at: At) -> None:
    """`time.sleep`: other threads run meanwhile, where there are any."""
    tasks = m.own.get("threads")
    if isinstance(tasks, Tasks) and (tasks.tasks or tasks.running):
        tasks.wait(m, us, at)
    else:
        m.wait(us, at)


LATER[FunctionKind.GENERATOR] = lambda m, run: Generator(m, run)
