"""Settings for the tests: a database file (threads of the live server need their own connections), no WAL."""

import tempfile
from hashlib import sha256
from pathlib import Path

from verifex.site.settings import *  # noqa: F403
from verifex.site.settings import BASE_DIR, DATABASES

# A name of its own for each checkout, so that two can be tested at once.
CHECKOUT = sha256(str(BASE_DIR).encode()).hexdigest()[:10]
DATABASES["default"]["TEST"] = {"NAME": Path(tempfile.gettempdir()) / f"verifex-test-{CHECKOUT}.sqlite3"}
# --parallel copies the file without a -wal beside it, so the journal is a plain one here.
DATABASES["default"]["CONN_MAX_AGE"] = 0
DATABASES["default"]["OPTIONS"]["init_command"] = (
    "PRAGMA journal_mode=DELETE;PRAGMA synchronous=OFF;PRAGMA foreign_keys=ON;"
)
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
CHECKS_IN_WORKERS = False  # one test class puts it on
LOGGING = {"version": 1, "disable_existing_loggers": False}
