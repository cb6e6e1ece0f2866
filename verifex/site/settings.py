"""Settings. Secrets come from the environment; the demo's are made at its first start and kept beside its data."""

import os
from pathlib import Path
from typing import Any

from csp.constants import NONCE, NONE, SELF
from django.core.management.utils import get_random_secret_key

from verifex.core.hand_ins import HAND_INS, MB, HandIn

BASE_DIR = Path(__file__).resolve().parent.parent.parent
#: An installed package brings the built front end and the demo course with it; a checkout has them beside the code.
INSTALLED = not (BASE_DIR / "manage.py").exists()
_PACKAGE = Path(__file__).resolve().parent.parent
_OWN_DATA = Path(os.environ.get("XDG_DATA_HOME", Path.home() / ".local" / "share")) / "verifex"
DATA_DIR = Path(os.environ.get("VERIFEX_DATA", _OWN_DATA if INSTALLED else BASE_DIR / "var"))
DEMO_DIR = _PACKAGE / "demo" / "course" if INSTALLED else BASE_DIR / "demo"
os.umask(0o077)  # names, programs and marks are for nobody else on this machine
try:
    DATA_DIR.mkdir(mode=0o700, parents=True, exist_ok=True)
    DATA_DIR.chmod(0o700)  # it may have been made by another umask
    if not os.access(DATA_DIR, os.W_OK | os.X_OK):
        raise PermissionError(13, "Permission denied")
except OSError as wrong:
    raise SystemExit(
        f"The data folder {DATA_DIR} cannot be used: {wrong.strerror}. Give it to the user who runs Verifex, or name another"
        " one in VERIFEX_DATA."
    ) from None
#: Where a copy of the database is put once a day; beside the data unless another disk is named, which is better.
BACKUP_DIR = Path(os.environ.get("VERIFEX_BACKUPS", DATA_DIR / "backups"))


def _kept_secret() -> str:
    """The secret key from the environment, else one made once and kept readable by the owner only."""
    if key := os.environ.get("VERIFEX_SECRET_KEY"):
        return key
    file = DATA_DIR / "secret-key"
    if not file.exists():
        file.touch(mode=0o600)
        file.write_text(get_random_secret_key())
    return file.read_text()


SECRET_KEY = _kept_secret()
DEBUG = os.environ.get("VERIFEX_DEBUG") == "1"
ALLOWED_HOSTS = os.environ.get("VERIFEX_HOSTS", "127.0.0.1,localhost,[::1]").split(",")
CSRF_TRUSTED_ORIGINS = [origin for origin in os.environ.get("VERIFEX_ORIGINS", "").split(",") if origin]
HTTPS = os.environ.get("VERIFEX_HTTPS") == "1"
#: Set where a reverse proxy ends TLS and says so itself: it must drop the header when a browser sends it.
if os.environ.get("VERIFEX_BEHIND_PROXY") == "1":
    SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
    USE_X_FORWARDED_HOST = True
    HTTPS = True
    #: Where the proxy is: from there alone the forwarded headers are believed.
    TRUSTED_PROXY = os.environ.get("VERIFEX_PROXY", "127.0.0.1")
else:
    TRUSTED_PROXY = ""

INSTALLED_APPS = [
    "django.contrib.admin",
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.messages",
    "django.contrib.staticfiles",
    "csp",
    "ninja",
    "verifex.acts",
    "verifex.people",
    "verifex.work",
    "verifex.exercises",
    "verifex.plan",
    "verifex.stores",
    "verifex.dockets",
    "verifex.live",
    "verifex.marks",
    "verifex.papers",
    "verifex.set_up",
    "verifex.demo",
]

MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "csp.middleware.CSPMiddleware",
    "verifex.site.limits.SizeLimitMiddleware",
    "django.middleware.gzip.GZipMiddleware",
    "verifex.api.http.EtagMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.contrib.messages.middleware.MessageMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
]

ROOT_URLCONF = "verifex.site.urls"
WSGI_APPLICATION = "verifex.site.wsgi.application"
WEB_DIST = _PACKAGE / "site" / "dist" if INSTALLED else BASE_DIR / "web" / "dist"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [WEB_DIST],
        "APP_DIRS": True,
        "OPTIONS": {
            "context_processors": [
                "django.template.context_processors.request",
                "django.contrib.auth.context_processors.auth",
                "django.contrib.messages.context_processors.messages",
            ]
        },
    }
]

DATABASES: dict[str, dict[str, Any]] = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA_DIR / "verifex.sqlite3",
        # Every thread of the server keeps its connection: opening one costs more than most requests.
        "CONN_MAX_AGE": None,
        "OPTIONS": {
            "transaction_mode": "IMMEDIATE",
            "timeout": 20,
            # FULL: what was answered with "handed in" is on the disk, also when the power goes the next moment. It costs
            # a few milliseconds a write, and a class writes a few times a second.
            "init_command": "PRAGMA journal_mode=WAL;PRAGMA synchronous=FULL;"
            "PRAGMA foreign_keys=ON;PRAGMA busy_timeout=20000;"
            "PRAGMA mmap_size=268435456;PRAGMA cache_size=-16000;PRAGMA temp_store=MEMORY;",
        },
    }
}

#: What several processes have to know alike, such as how often somebody tried a password.
CACHES: dict[str, dict[str, Any]] = {
    "default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"},
    "shared": {"BACKEND": "django.core.cache.backends.db.DatabaseCache", "LOCATION": "shared_cache"},
}

AUTH_USER_MODEL = "people.User"
#: Argon2 for new passwords; those kept by an older way are taken over at the next log-in.
PASSWORD_HASHERS = [
    "django.contrib.auth.hashers.Argon2PasswordHasher",
    "django.contrib.auth.hashers.PBKDF2PasswordHasher",
]
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "django.contrib.auth.password_validation.NumericPasswordValidator"},
]

LANGUAGE_CODE = "en-gb"
TIME_ZONE = "UTC"
USE_TZ = True

STATIC_URL = "/static/"
STATIC_ROOT = DATA_DIR / "static" if INSTALLED else BASE_DIR / "staticfiles"
# Only the assets are public; index.html is a template, rendered with the page's nonce.
STATICFILES_DIRS = [("assets", WEB_DIST / "assets")] if (WEB_DIST / "assets").exists() else []
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    # Compressed when the front end is built, not at the first start, which would take half a minute.
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
}
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/static/assets/.+-[\w-]{8}\.\w+$"

CONTENT_SECURITY_POLICY: dict[str, Any] = {
    "EXCLUDE_URL_PREFIXES": ["/admin/"],
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF, NONCE],
        "img-src": [SELF, "data:"],
        "font-src": [SELF],
        "connect-src": [SELF],
        "form-action": [SELF],
        "base-uri": [NONE],
        "frame-ancestors": [NONE],
    },
}
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = HTTPS
SECURE_HSTS_SECONDS = 31_536_000 if HTTPS else 0
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
# Left to the reverse proxy that ends TLS: sending plain HTTP on to HTTPS (W008), and whether other hosts of the domain
# keep to HTTPS as well (W005, W021), which this application cannot know.
SILENCED_SYSTEM_CHECKS = ["security.W005", "security.W008", "security.W021"]

#: The largest body a call takes: a log, with room for its JSON. Refused by its announced length.
MOST_BODY_BYTES = HAND_INS[HandIn.READINGS].most_bytes + 2 * MB
#: Where more is taken: a course of 20 MB as base64.
LARGER_BODIES = {"/api/set-up/import": 30 * 1024 * 1024}
DATA_UPLOAD_MAX_MEMORY_SIZE = max(MOST_BODY_BYTES, *LARGER_BODIES.values())
#: What the server reads of a body at most, so that what is too large is refused in words and not by a cut connection.
MOST_BODY_READ_BYTES = 96 * 1024 * 1024
#: Log-in tries for one name from one address, and from one address whatever the name: a class has one address.
THROTTLED_LOG_INS = "8/m"
THROTTLED_LOG_INS_OF_AN_ADDRESS = "240/m"
LOGIN_URL = "/log-in"

#: How long after a course is closed its names, programs and logs are kept; its figures stay.
KEPT_DAYS = int(os.environ.get("VERIFEX_KEEP_DAYS", "365"))

#: Whether checks of hand-ins run in worker processes under limits. Tests and the loader of the demo do without.
CHECKS_IN_WORKERS = os.environ.get("VERIFEX_CHECKS_IN_WORKERS", "1") == "1"

LOGGING: dict[str, Any] = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"plain": {"format": "{asctime} {levelname} {name}: {message}", "style": "{"}},
    "handlers": {"out": {"class": "logging.StreamHandler", "formatter": "plain", "stream": "ext://sys.stdout"}},
    "root": {"handlers": ["out"], "level": "WARNING"},
    "loggers": {"verifex": {"level": "INFO"}},
}
