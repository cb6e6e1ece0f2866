"""A program's expressions and statements in words, with the program's own names."""

from verifex.core.identity import IdentityMap
from verifex.core.program import tree as t
from verifex.core.program.types import FLOAT

COMPARED = {">": "over", "<": "under", ">=": "at least", "<=": "at most", "==": "equal to", "!=": "other than"}
LEVELS = {"HIGH": "on", "LOW": "off", "1": "on", "0": "off", "true": "on", "false": "off"}
STRENGTH = {"*": 3, "/": 3, "%": 3, "+": 2, "-": 2, "<<": 1, ">>": 1}


class Words:
    """Says statements; `spelled` gives the name a macro was written under."""

    def __init__(self, spelled: "IdentityMap[t.Expr, str]") -> None:
        self.spelled = spelled

    def text_of(self, node: t.Expr) -> str:
        """An expression as it is written."""
        if (name := self.spelled.get(node)) is not None:
            return name
        match node:
            case t.Number():
                return f"{node.value:g}" if node.type == FLOAT else str(node.value)
            case t.Text():
                return f"“{node.value}”"
            case t.Name():
                return node.name
            case t.Unary():
                return (
                    f"not {self._bracketed(node.operand)}"
                    if node.op == "!"
                    else f"{node.op}{self._bracketed(node.operand)}"
                )
            case t.Binary():
                own = STRENGTH.get(node.op, 0)
                left, right = (self._bracketed(side, own) for side in (node.left, node.right))
                return f"{left} {node.op} {right}"
            case t.Assign():
                return f"{self.text_of(node.target)} {node.op} {self.text_of(node.value)}"
            case t.Step():
                return f"{self.text_of(node.target)}{node.op}"
            case t.Choice():
                return (
                    f"{self.condition_text(node.condition)} then {self.text_of(node.yes)}, else {self.text_of(node.no)}"
                )
            case t.Comma():
                return f"{self.text_of(node.left)}, {self.text_of(node.right)}"
            case t.Index():
                return f"{self.text_of(node.base)}[{self.text_of(node.index)}]"
            case t.Field():
                return f"{self.text_of(node.base)}.{node.name}"
            case t.Cast():
                return self.text_of(node.operand)
            case t.Items():
                return "{" + ", ".join(self.text_of(item) for item in node.items) + "}"
            case t.Call():
                return self._called(node)
            case t.Literal():
                return str(node.value)
            case t.Group():
                open_, close = {"list": "[]", "tuple": ("", ""), "set": "{}"}[node.kind]
                return open_ + ", ".join(self.text_of(item) for item in node.items) + close
            case t.Chain():
                rest = zip(node.ops, node.rest, strict=True)
                return self.text_of(node.first) + "".join(f" {op} {self.text_of(value)}" for op, value in rest)
            case t.Pieces():
                return "“" + "".join(p.value if isinstance(p, t.Text) else self.text_of(p) for p in node.parts) + "”"
            case t.Formatted():
                return f"{{{self.text_of(node.value)}}}"
            case t.Slice():
                return ":".join(self.text_of(end) if end is not None else "" for end in (node.first, node.last))
            case t.Star():
                return f"*{self.text_of(node.value)}"
        return "…"

    def _bracketed(self, node: t.Expr, outer: int = 9) -> str:
        text = self.text_of(node)
        inner = STRENGTH.get(node.op, 0) if isinstance(node, t.Binary) else 9
        return f"({text})" if isinstance(node, t.Binary | t.Choice) and inner < outer else text

    def _called(self, node: t.Call) -> str:
        args = [self.text_of(arg) for arg in node.args]
        owner = node.receiver or (self.text_of(node.on) if node.on is not None else "")
        match node.name, args:
            case (("analogRead" | "digitalRead"), [pin]):
                return f"read {pin}"
            case "pulseIn", [pin, *_]:
                return f"time the pulse on {pin}"
            case (("millis" | "time" | "ticks_ms" | "monotonic"), []):
                return "time now"
            case "input", [pin] if owner:
                return f"read {pin}"
        return f"{owner}.{node.name}({', '.join(args)})" if owner else f"{node.name}({', '.join(args)})"

    def condition_text(self, node: t.Expr) -> str:
        """A condition as a question, without its question mark."""
        match node:
            case t.Binary(op="&&" | "and"):
                return f"{self.condition_text(node.left)} and {self.condition_text(node.right)}"
            case t.Binary(op="||" | "or"):
                return f"{self.condition_text(node.left)} or {self.condition_text(node.right)}"
            case t.Binary() if node.op in COMPARED:
                if node.op == "==" and self.text_of(node.right) in ("HIGH", "LOW"):
                    return f"{self.text_of(node.left)} {'high' if self.text_of(node.right) == 'HIGH' else 'low'}"
                return f"{self.text_of(node.left)} {COMPARED[node.op]} {self.text_of(node.right)}"
            case t.Unary(op="!"):
                return f"not {self.condition_text(node.operand)}"
            case t.Literal(value=bool()):
                return "always" if node.value else "never"
            case t.Name(name="true" | "false"):
                return "always" if node.name == "true" else "never"
            case t.Number():
                return "always" if node.value else "never"
            case t.Name(name="true"):
                return "always"
        return self.text_of(node)

    def done(self, node: t.Stmt) -> tuple[str, str]:
        """A simple statement as (kind, words): kind is step, show or wait."""
        match node:
            case t.Declare():
                if node.value is None or (isinstance(node.value, t.Items) and not node.value.items):
                    return "step", f"make {node.name}"
                return "step", f"{node.name} ← {self.text_of(node.value)}"
            case t.Raise():
                return "end", f"report {self.text_of(node.value)}" if node.value is not None else "report it further"
            case t.Delete():
                return "step", f"forget {self.text_of(node.target)}"
            case t.Return():
                return "end", f"give back {self.text_of(node.value)}" if node.value is not None else "go back"
            case t.Break():
                return "end", "leave the loop"
            case t.Continue():
                return "end", "next turn"
            case t.Do():
                return self._effect(node.expr)
        return "step", "…"

    def _level(self, level: str) -> str:
        plain = level.split(".")[-1]
        return {"True": "on", "False": "off"}.get(plain, LEVELS.get(plain, f"← {level}"))

    def _effect(self, node: t.Expr) -> tuple[str, str]:
        if isinstance(node, t.Assign) and node.op == "=":
            return "step", f"{self.text_of(node.target)} ← {self.text_of(node.value)}"
        if not isinstance(node, t.Call):
            return "step", self.text_of(node)
        args = [self.text_of(arg) for arg in node.args]
        match node.receiver, node.name, args:
            case _, "digitalWrite", [pin, level]:
                return "show", f"{pin} {LEVELS.get(level, f'← {level}')}"
            case _, "analogWrite", [pin, duty]:
                return "show", f"{pin} dimmed to {duty}"
            case _, "tone", [pin, hertz, *_]:
                return "show", f"{pin} sounds at {hertz} Hz"
            case _, "noTone", [pin]:
                return "show", f"{pin} silent"
            case _, "pinMode", [pin, mode]:
                return "step", f"{pin} is an {mode.split('_')[0].lower()}{' with pull-up' if 'PULLUP' in mode else ''}"
            case "Serial", "begin", [baud]:
                return "step", f"log at {baud} baud"
            case "Serial", ("print" | "println"), [what, *_]:
                return "show", f"print {what}"
            case "Serial", "println", []:
                return "show", "print a new line"
            case str() as name, ("print" | "println"), [what, *_]:
                return "show", f"{name} shows {what}"
            case None, "print", [what, *_]:
                return "show", f"print {what}"
            case str(), "output", [pin, level]:
                return "show", f"{pin} {self._level(level)}"
            case str() as name, ("on" | "off"), []:
                return "show", f"{name} {node.name}"
            case str() as name, "value", [level]:
                return "show", f"{name} {self._level(level)}"
            case str(), "setup", [pin, direction, *_]:
                return "step", f"{pin} is an {'output' if direction.endswith('OUT') else 'input'}"
            case ((None | "time" | "utime"), "sleep", [seconds]):
                return "wait", f"wait {seconds} s"
            case ((None | "time" | "utime"), "sleep_ms", [ms]):
                return "wait", f"wait {ms} ms"
            case _, "pause", []:
                return "wait", "wait for what happens"
            case _, "delay", [ms]:
                return "wait", f"wait {ms} ms"
            case _, "delayMicroseconds", [us]:
                return "wait", f"wait {us} µs"
        return "step", self.text_of(node)
