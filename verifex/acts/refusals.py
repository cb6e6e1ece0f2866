"""Why an act is not done: each is answered in one place, by the site.

Each reason is a type with its facts as fields. Its sentence is beside it, in the `refusals` of the app, so nothing decides on a
sentence: whoever must know the reason asks for the type.
"""

from dataclasses import dataclass
from string import Formatter
from typing import Any, ClassVar, dataclass_transform


class _Sentence(Formatter):
    """Writes several as `a, b, c`, or with what the format has between them: `{names: and }`."""

    def format_field(self, value: Any, format_spec: str) -> str:
        if isinstance(value, tuple):
            return (format_spec or ", ").join(str(one) for one in value)
        return str(super().format_field(value, format_spec))


@dataclass_transform()
class Reason(Exception):
    """A reason with facts: the fields of the type, each of which its sentence may name."""

    sentence: ClassVar[str]

    def __init_subclass__(cls) -> None:
        dataclass(eq=False, repr=False)(cls)

    def __str__(self) -> str:
        return _Sentence().vformat(self.sentence, (), vars(self))

    def __reduce__(self) -> Any:
        # The usual way builds it anew from positional arguments only.
        return type(self), tuple(vars(self).values())


class NotAllowed(Exception):
    """The actor may not do this; the text says who may."""


class Refused(Reason):
    """The act itself is refused; the sentence says why and what to do."""

    sentence = ""


class Stale(Exception):
    """The act was based on an older revision; `changes` says what happened since."""

    def __init__(self, changes: list[str]) -> None:
        super().__init__("Someone else changed this meanwhile.")
        self.changes = changes
