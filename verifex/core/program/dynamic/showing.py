"""Values as texts: what `print` shows, f-strings, `%` and `format`; without ever reaching into the host."""

import re
from string import Formatter
from typing import Any

from verifex.core.program.dynamic.calling import call, each, special
from verifex.core.program.dynamic.values import (
    UNSET,
    Bound,
    Builtin,
    Class,
    Deque,
    Function,
    Instance,
    Named,
    Thing,
    Unset,
    error,
    kind_name,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

PLAIN = (bool, int, float, str)
MOST_DEEP = 12
_FORM = re.compile(r"[^0-9]?[<>=^]?[-+ ]?#?0?(\d{0,3})[,_]?(?:\.(\d{1,2}))?[bcdeEfFgGnosxX%]?")
_WIDTHS = re.compile(r"%(?:\(\w*\))?[-+ #0]*(\d{1,3})")
_WIDE = re.compile(r"%(?:\(\w*\))?[-+ #0]*(?:\d{4,}|\*|\d*\.(?:\d{3,}|\*))")


def shown(m: Machine, value: Any, at: At, *, quoted: bool = False, deep: int = 0) -> str:
    """A value as `str()` gives it, or as `repr()` does."""
    if isinstance(value, str):
        return repr(value) if quoted else value
    if value is None or isinstance(value, bool | int | float | bytes | bytearray | range):
        return repr(value)
    if deep > MOST_DEEP:
        return "..."

    def inside(one: Any) -> str:
        m.step(at)
        m.take(len(one) if isinstance(one, str) else 1, at)
        return shown(m, one, at, quoted=True, deep=deep + 1)

    if isinstance(value, Named):
        return f"{value.title}({', '.join(f'{n}={inside(v)}' for n, v in zip(value.names, value, strict=True))})"
    if isinstance(value, Deque):
        return "deque([" + ", ".join(inside(v) for v in value) + "])"
    if isinstance(value, list):
        return "[" + ", ".join(inside(v) for v in value) + "]"
    if isinstance(value, tuple):
        return "(" + ", ".join(inside(v) for v in value) + ("," if len(value) == 1 else "") + ")"
    if isinstance(value, set):
        return "{" + ", ".join(inside(v) for v in each(m, value, at)) + "}" if value else "set()"
    if isinstance(value, dict):
        return "{" + ", ".join(f"{inside(k)}: {inside(v)}" for k, v in value.items()) + "}"
    if isinstance(value, Instance):
        first, second = ("__repr__", "__repr__") if quoted else ("__str__", "__repr__")
        own = value.of.find(first)
        own = value.of.find(second) if isinstance(own, Unset) else own
        if isinstance(own, Function):
            return str(call(m, Bound(own, value), (), {}, at))
        if value.of.base is not None and value.of.base.made is not None:  # a constant of a list
            name = f"{value.of.name}.{value.fields['name']}"
            return f"<{name}: {inside(value.fields['value'])}>" if quoted else name
        if value.of.begin is not None:
            return f"{value.of.name}({', '.join(f'{n}={inside(v)}' for n, v in value.fields.items())})"
        if "args" in value.fields:
            args = value.fields["args"]
            if quoted:
                return f"{value.of.name}({', '.join(inside(arg) for arg in args)})"
            return shown(m, args[0] if len(args) == 1 else args, at) if args else ""
        return f"<{value.of.name} object>"
    if isinstance(value, Class):
        return f"<class '{value.name}'>"
    if isinstance(value, Thing):
        own_words = getattr(value, "shown", None)
        return str(own_words()) if own_words else f"<{value.name}>"
    if isinstance(value, Function | Bound | Builtin):
        return "<function>"
    return f"<{kind_name(value)}>"


def formatted(m: Machine, value: Any, form: str, conversion: str, at: At) -> str:
    """One value in a form such as `.2f`."""
    if conversion:
        value = shown(m, value, at, quoted=conversion in "ra")
    if (own := special(m, value, "__format__", (form,), at)) is not UNSET:
        return str(own)
    if not form:
        return shown(m, value, at)
    if not isinstance(value, PLAIN):
        if isinstance(value, Thing) and hasattr(value, "do_strftime"):
            return str(value.do_strftime(m, at, form))
        raise error("TypeError", f"unsupported format string passed to {kind_name(value)}", at)
    if _FORM.fullmatch(form) is None:
        raise error("ValueError", f"'{form}' is no form for a value", at)
    return format(value, form)


def by_percent(m: Machine, pattern: str, values: Any, at: At) -> str:
    """`pattern % values`."""
    if _WIDE.search(pattern):
        raise error("ValueError", "a width of more than 999", at)

    def ready(value: Any) -> Any:
        told = value if isinstance(value, PLAIN) else shown(m, value, at)
        m.take(len(told) if isinstance(told, str) else 1, at)
        return told

    m.take(len(pattern) + sum(int(width) for width in _WIDTHS.findall(pattern)), at)
    if isinstance(values, dict):
        told = {k: ready(v) for k, v in values.items()}
        longest = max((len(v) for v in told.values() if isinstance(v, str)), default=0)
        m.take(pattern.count("%(") * longest, at)  # a name may stand in it again and again
        return pattern % told
    given = values if isinstance(values, tuple) else (values,)
    return pattern % tuple(ready(v) for v in given)


def by_braces(m: Machine, pattern: str, args: tuple[Any, ...], named: dict[str, Any], at: At) -> str:
    """`pattern.format(…)`: places by number or name, without fields or items of what stands there."""
    out: list[str] = []
    following = 0
    for text, name, form, conversion in Formatter().parse(pattern):
        out.append(text)
        if name is None:
            continue
        if not re.fullmatch(r"\w*", name) or "{" in (form or ""):
            raise error("ValueError", f"'{{{name}}}' is read by number or name only", at)
        if not name or name.isdigit():
            index = int(name) if name else following
            following += 1
            if index >= len(args):
                raise error("IndexError", "more places in the text than values", at)
            value = args[index]
        elif name in named:
            value = named[name]
        else:
            raise error("KeyError", repr(name), at)
        piece = formatted(m, value, form or "", conversion or "", at)
        m.take(len(piece), at)
        out.append(piece)
    return "".join(out)
