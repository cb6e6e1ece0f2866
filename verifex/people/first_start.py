"""The first instructor of an empty installation, made with a code that only who started the server has seen."""

import secrets

from django.conf import settings
from django.db import OperationalError, transaction
from django.utils.crypto import constant_time_compare

from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed, Refused
from verifex.people.models import User
from verifex.people.passwords import set_password
from verifex.people.user_names import split_name, usable_log_in

_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"  # none that is taken for another one


def is_open() -> bool:
    """Whether nobody has a log-in yet. Not while the database is still to be set up."""
    try:
        return not User.objects.exists()
    except OperationalError:
        return False


def code() -> str:
    """The one-time code: made at the first start, kept readable by the owner of the data only."""
    file = settings.DATA_DIR / "first-start-code"
    if not file.exists():
        file.touch(mode=0o600)
        file.write_text("-".join("".join(secrets.choice(_LETTERS) for _ in range(4)) for _ in range(3)))
    return str(file.read_text())


@transaction.atomic
def make_first_instructor(given: str, name: str, log_in: str, password: str) -> User:
    """The first person, who may set up courses. Raises NotAllowed for another code, Refused for what is wrong with the rest."""
    if not is_open():
        raise NotAllowed("The first instructor is there already. Log in, or ask them for a log-in.")
    if not constant_time_compare(given.strip().lower(), code()):
        raise NotAllowed("This is not the code that was printed when the server was started.")
    first, last = split_name(name)
    user = User(username=usable_log_in(log_in), first_name=first, last_name=last, is_staff=True, is_superuser=True)
    set_password(user, password)
    user.save()
    record(user, "made the first log-in", f"user:{user.pk}")
    (settings.DATA_DIR / "first-start-code").unlink(missing_ok=True)
    return user


__all__ = ["Refused", "code", "is_open", "make_first_instructor"]
