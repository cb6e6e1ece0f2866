"""Passwords: checked by Django's validators; first ones are made here and changed at the first log-in."""

import secrets

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError

from verifex.people.models import User
from verifex.people.refusals import PasswordNotTypeable, PasswordTooWeak

#: Letters and digits that are distinguished easily on paper.
_CLEAR = "abcdefghjkmnpqrstuvwxyz23456789"


def set_password(user: User, password: str, *, is_first: bool = False) -> None:
    """Give a person a password; a first one has to be changed at the first log-in. Raises Refused with what is wrong."""
    if any(not letter.isprintable() for letter in password):
        raise PasswordNotTypeable()
    try:
        validate_password(password, user)
    except ValidationError as wrong:
        raise PasswordTooWeak(tuple(wrong.messages)) from None
    user.set_password(password)
    user.must_change_password = is_first
    if not is_first:
        user.password_reset_by = user.password_reset_at = None


def made_up_password() -> str:
    """Twelve clear letters in threes: read from paper and typed once. About 59 bits."""
    return "-".join("".join(secrets.choice(_CLEAR) for _ in range(3)) for _ in range(4))
