"""Why an act is not done: each is answered in one place, by the site."""


class NotAllowed(Exception):
    """The actor may not do this; the text says who may."""


class Refused(Exception):
    """The act itself is refused; the text says why and what to do."""


class Stale(Exception):
    """The act was based on an older revision; `changes` says what happened since."""

    def __init__(self, changes: list[str]) -> None:
        super().__init__("Someone else changed this meanwhile.")
        self.changes = changes
