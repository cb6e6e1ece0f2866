"""Files, tables in files, logs and what a program asks of the computer: all kept in the run, nothing is read or written outside it."""

from collections.abc import Iterator
from io import SEEK_END, StringIO
from typing import Any

from verifex.core.program.dynamic.calling import all_of
from verifex.core.program.dynamic.showing import by_percent, shown
from verifex.core.program.dynamic.values import Builtin, Thing, error, kind_name
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.own_state import own_state
from verifex.core.program.tree import At

WRITE_US = 200.0


def _files(m: Machine) -> dict[str, StringIO]:
    return own_state(m, "files", dict[str, StringIO])


class File(Thing):
    """A file of text; what is written is kept until the run ends."""

    name = "file"

    def __init__(self, m: Machine, path: str, mode: str, at: At) -> None:
        self.path, self.position = path, 0
        files = _files(m)
        if "r" in mode and path not in files:
            raise error("FileNotFoundError", f"[Errno 2] No such file or directory: '{path}'", at)
        if "w" in mode or path not in files:
            files[path] = StringIO(newline="")
        self.text = files[path]

    def enter(self, m: Machine, at: At) -> Any:
        return self

    def do_write(self, m: Machine, at: At, text: Any) -> int:
        if not isinstance(text, str):
            raise error("TypeError", f"write() argument must be str, not {kind_name(text)}", at)
        m.activity += 1
        m.take(len(text), at)
        m.spend_us(WRITE_US)
        self.text.seek(0, SEEK_END)
        return self.text.write(text)

    def do_writelines(self, m: Machine, at: At, lines: Any) -> None:
        for line in all_of(m, lines, at):
            self.do_write(m, at, line)

    def do_read(self, m: Machine, at: At, *_: int) -> str:
        self.text.seek(self.position)
        text = self.text.read()
        self.position += len(text)
        m.take(len(text), at)
        return text

    def do_readline(self, m: Machine, at: At) -> str:
        self.text.seek(self.position)
        line = self.text.readline()
        self.position += len(line)
        m.take(len(line), at)
        return line

    def do_readlines(self, m: Machine, at: At) -> list[str]:
        return self.do_read(m, at).splitlines(keepends=True)

    def values(self, m: Machine, at: At) -> Iterator[Any]:
        return iter(self.do_readlines(m, at))

    def do_tell(self, m: Machine, at: At) -> int:
        return self.text.seek(0, SEEK_END)

    def do_flush(self, m: Machine, at: At) -> None: ...
    def do_close(self, m: Machine, at: At, *_: Any) -> None: ...
    def do_fileno(self, m: Machine, at: At) -> int:
        return 3

    def state(self) -> Any:
        return object()


def open_file(m: Machine, at: At, path: Any, mode: str = "r", *_: Any, **__: Any) -> File:
    """`open(path, mode)`."""
    return File(m, path.path if isinstance(path, Path) else str(path), mode, at)


class Path(Thing):
    """Where a file is, by its name."""

    name = "Path"

    def __init__(self, path: str) -> None:
        self.path = path

    def do_open(self, m: Machine, at: At, mode: str = "r", *_: Any, **__: Any) -> File:
        return File(m, self.path, mode, at)

    def do_exists(self, m: Machine, at: At) -> bool:
        return self.path in _files(m)

    def do_write_text(self, m: Machine, at: At, text: str, *_: Any) -> int:
        return File(m, self.path, "w", at).do_write(m, at, text)

    def do_read_text(self, m: Machine, at: At, *_: Any) -> str:
        return File(m, self.path, "r", at).do_read(m, at)

    def do_mkdir(self, m: Machine, at: At, *_: Any, **__: Any) -> None: ...

    def do_joinpath(self, m: Machine, at: At, *parts: str) -> "Path":
        return Path("/".join([self.path, *parts]))

    def shown(self) -> str:
        return self.path


class _Table(Thing):
    """Rows written with a separator between their values."""

    name = "writer"

    def __init__(self, file: Any, names: list[Any] | None, separator: str) -> None:
        self.file, self.names, self.separator = file, names, separator

    def do_writerow(self, m: Machine, at: At, row: Any) -> None:
        values = [row.get(name, "") for name in self.names] if self.names is not None else all_of(m, row, at)
        cells = [shown(m, value, at) if value is not None else "" for value in values]
        quoted = [f'"{cell}"' if self.separator in cell or '"' in cell else cell for cell in cells]
        self.file.do_write(m, at, self.separator.join(quoted) + "\r\n")

    def do_writerows(self, m: Machine, at: At, rows: Any) -> None:
        for row in all_of(m, rows, at):
            self.do_writerow(m, at, row)

    def do_writeheader(self, m: Machine, at: At) -> None:
        self.do_writerow(m, at, {name: name for name in self.names or []})


def _writer(m: Machine, at: At, file: Any, *_: Any, delimiter: str = ",", **__: Any) -> _Table:
    return _Table(file, None, delimiter)


def _dict_writer(m: Machine, at: At, file: Any, fieldnames: Any, *_: Any, delimiter: str = ",", **__: Any) -> _Table:
    return _Table(file, all_of(m, fieldnames, at), delimiter)


LEVELS = {"DEBUG": 10, "INFO": 20, "WARNING": 30, "ERROR": 40, "CRITICAL": 50}
USUAL_FORM = "%(levelname)s:%(name)s:%(message)s"


def _log(m: Machine) -> tuple[int, str]:
    """The least level that is printed, and in which form."""
    return own_state(m, "log", lambda: (LEVELS["WARNING"], USUAL_FORM))


class _Log(Thing):
    """Lines of a log, printed where their level is high enough."""

    name = "Logger"

    def __init__(self, title: str) -> None:
        self.title = title

    def get(self, m: Machine, name: str, at: At) -> Any:
        level = LEVELS.get(
            "ERROR" if name == "exception" else name.upper().replace("WARN", "WARNING").replace("INGING", "ING")
        )
        if level is not None:
            return Builtin(name, lambda m_, at_, text, *args, **_: self._say(m_, at_, level, text, args))
        return super().get(m, name, at)

    def _say(self, m: Machine, at: At, level: int, text: Any, args: tuple[Any, ...]) -> None:
        least, form = _log(m)
        if level < least:
            return
        said = shown(m, text, at)
        said = by_percent(m, said, args if len(args) != 1 else args[0], at) if args else said
        word = next(name for name, number in LEVELS.items() if number == level)
        fields = {
            "message": said,
            "levelname": word,
            "name": self.title,
            "asctime": "2026-05-04 08:00:00,000",
            "levelno": level,
        }
        m.activity += 1
        m.emit(by_percent(m, form, fields, at) + "\n", at)

    def do_setLevel(self, m: Machine, at: At, level: int) -> None:
        m.own["log"] = (level, _log(m)[1])

    def do_addHandler(self, m: Machine, at: At, *_: Any) -> None: ...


def _log_set_up(m: Machine, at: At, *, level: Any = LEVELS["WARNING"], format: str = USUAL_FORM, **_: Any) -> None:
    m.own["log"] = (LEVELS.get(level, 30) if isinstance(level, str) else level, format)


class _Arguments(Thing):
    """What a program takes from the command line; here it is begun without any, so each is what it usually is."""

    name = "ArgumentParser"

    def __init__(self) -> None:
        self.usual: dict[str, Any] = {}

    def do_add_argument(self, m: Machine, at: At, *names: str, default: Any = None, action: str = "", **_: Any) -> None:
        named = next((name for name in names if name.startswith("--")), names[0] if names else "")
        self.usual[named.lstrip("-").replace("-", "_")] = (
            False if action == "store_true" and default is None else default
        )

    def do_parse_args(self, m: Machine, at: At, *_: Any) -> "_Arguments":
        return self

    def get(self, m: Machine, name: str, at: At) -> Any:
        return self.usual[name] if name in self.usual else super().get(m, name, at)


class _Environment(Thing):
    name = "environ"

    def do_get(self, m: Machine, at: At, name: str, default: Any = None) -> Any:
        return default


class _Paths(Thing):
    name = "path"

    def do_exists(self, m: Machine, at: At, path: Any) -> bool:
        return str(path) in _files(m)

    do_isfile = do_exists

    def do_join(self, m: Machine, at: At, *parts: str) -> str:
        return "/".join(parts)

    def do_dirname(self, m: Machine, at: At, path: str) -> str:
        return path.rpartition("/")[0]

    def do_basename(self, m: Machine, at: At, path: str) -> str:
        return path.rpartition("/")[2]


_ROOT = _Log("root")
FILES: dict[str, Any] = {"Path": Builtin("Path", lambda m, at, *parts: Path("/".join(map(str, parts)) or "."))}
TABLES: dict[str, Any] = {"writer": Builtin("writer", _writer), "DictWriter": Builtin("DictWriter", _dict_writer)}
LOGS: dict[str, Any] = {
    **LEVELS,
    "basicConfig": Builtin("basicConfig", _log_set_up),
    "getLogger": Builtin("getLogger", lambda m, at, title="root": _Log(title)),
    **{
        name: Builtin(name, lambda m, at, text, *args, _level=level, **_: _ROOT._say(m, at, _level, text, args))
        for name, level in {name.lower(): number for name, number in LEVELS.items()}.items()
    },
}
ARGUMENTS: dict[str, Any] = {"ArgumentParser": Builtin("ArgumentParser", lambda m, at, *_, **__: _Arguments())}
COMPUTER: dict[str, Any] = {
    "environ": _Environment(),
    "path": _Paths(),
    "getenv": Builtin("getenv", lambda m, at, name, default=None: default),
    "makedirs": Builtin("makedirs", lambda m, at, *_, **__: None),
    "getcwd": Builtin("getcwd", lambda m, at: "/home"),
    "sep": "/",
    "linesep": "\n",
    "name": "posix",
}
#: What the language itself brings of these.
BROUGHT: dict[str, Any] = {"open": Builtin("open", open_file)}
