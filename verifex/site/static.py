"""The built front end, compressed and put where it is served from: only when it is another one than last time."""

from collections.abc import Callable
from hashlib import sha256
from pathlib import Path

from django.conf import settings
from django.core.management import call_command


def put_in_place(say: Callable[[str], None] = lambda line: None) -> bool:
    """Whether anything had to be done. Old files go: nothing refers to them any more."""
    root, stamp = Path(settings.STATIC_ROOT), Path(settings.STATIC_ROOT) / ".built"
    now = _digest(Path(settings.WEB_DIST))
    if stamp.exists() and stamp.read_text() == now:
        return False
    say("Putting the front end in place …")
    call_command("collectstatic", interactive=False, verbosity=0, clear=root.exists())
    stamp.write_text(now)
    return True


def _digest(folder: Path) -> str:
    """Of the names of the files: each holds the digest of what is in it."""
    names = sorted(str(file.relative_to(folder)) for file in folder.rglob("*") if file.is_file())
    return sha256("\n".join(names).encode()).hexdigest()


if __name__ == "__main__":
    import os

    import django

    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "verifex.site.settings")
    django.setup()
    put_in_place()
