"""What every command may raise; it imports nothing, so that the command line itself starts at once."""


class CannotUse(Exception):
    """An input that cannot be used; the text is the whole line for stderr."""
