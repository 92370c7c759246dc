"""Settings. Everything that differs between machines comes from the environment, which the launcher sets."""

from __future__ import annotations

import os
import re
import tomllib
from datetime import timedelta
from pathlib import Path
from wsgiref.headers import Headers

from csp.constants import NONCE, NONE, SELF

from config import machines

ROOT = Path(__file__).resolve().parent.parent.parent
WEB_DIST = ROOT / "web" / "dist"
# Told once, by the project's own file; the API and the interface show it.
VERSION: str = tomllib.loads((ROOT / "pyproject.toml").read_text(encoding="utf-8"))["project"]["version"]

DEBUG = os.environ.get("DESPERTAR_DEBUG") == "1"
# The kitchen is served on loopback in plain HTTP; behind a proxy with TLS this turns on what only works there.
HTTPS = os.environ.get("DESPERTAR_HTTPS") == "1"
DESPERTAR_DEMO = os.environ.get("DESPERTAR_DEMO") == "1"

SECRET_KEY = os.environ["DESPERTAR_SECRET_KEY"]
ALLOWED_HOSTS = os.environ.get("DESPERTAR_HOSTS", "127.0.0.1,localhost,[::1]").split(",")
APPEND_SLASH = False
ROOT_URLCONF = "config.urls"
WSGI_APPLICATION = "config.wsgi.application"

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "axes",
    "csp",
    "ninja",
    "config",
    "accounts",
    "places",
    "kitchen",
    "logbook",
    "photos",
    "watching",
    "guidance",
    "pantry",
    "trials",
    "reckoner",
    "practice",
    "parcel",
    "exchange",
    "reminders",
    "demo",
]

MIDDLEWARE = [
    "config.observed.observed",
    "config.again.again",
    "django.middleware.security.SecurityMiddleware",
    "csp.middleware.CSPMiddleware",
    "config.private.private_answers",
    "config.room.room_to_write",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]

TEMPLATES: list[dict[str, object]] = []

DATABASES = {"default": machines.database(os.environ)}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

USE_TZ = True
TIME_ZONE = "UTC"
# Django reads which of these a browser asks for; what is said stands in the interface's words and in `exchange.words`.
USE_I18N = True
LANGUAGE_CODE = "en"
LANGUAGES = [("en", "English"), ("pt", "Português")]
LANGUAGE_COOKIE_NAME = "despertar_language"
# Pages of made-up languages, for the tests: each by the cookie alone.
DESPERTAR_PSEUDO = os.environ.get("DESPERTAR_PSEUDO") == "1"

# --- accounts and sessions ---

# Who may make an account: anybody (`open`), or, once there is one, whoever was invited by somebody here (`invited`).
SIGN_UP_INVITED = os.environ.get("DESPERTAR_SIGN_UP", "open") == "invited"

AUTH_USER_MODEL = "accounts.Account"
AUTHENTICATION_BACKENDS = ["axes.backends.AxesStandaloneBackend", "django.contrib.auth.backends.ModelBackend"]
# Argon2id (RFC 9106); those of before are read, and made anew at the next signing in.
PASSWORD_HASHERS = [
    "django.contrib.auth.hashers.Argon2PasswordHasher",
    "django.contrib.auth.hashers.PBKDF2PasswordHasher",
]
AUTH_PASSWORD_VALIDATORS = [
    {
        "NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator",
        "OPTIONS": {"user_attributes": ["name"]},
    },
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 10}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "django.contrib.auth.password_validation.NumericPasswordValidator"},
]
SESSION_COOKIE_NAME = "despertar_session"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_SECURE = HTTPS
CSRF_COOKIE_NAME = "despertar_csrf"
CSRF_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SECURE = HTTPS
CSRF_FAILURE_VIEW = "config.pages.csrf_failure"

# Five wrong passwords for one name from one address shut that pair out for a while.
AXES_FAILURE_LIMIT = 5
AXES_COOLOFF_TIME = timedelta(minutes=10)
AXES_USERNAME_FORM_FIELD = "username"
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_LOCKOUT_CALLABLE = "config.pages.locked_out"
AXES_RESET_ON_SUCCESS = True
AXES_VERBOSE = False


# A proxy of one's own is believed at the edge alone (`config.worker`): from there on the address of a request is its
# client's, and what the client says of itself counts for nothing.
NINJA_NUM_PROXIES = 0
_CACHE = os.environ.get("DESPERTAR_CACHE")
CACHES = {
    "default": machines.counts_cache(_CACHE, os.environ.get("DESPERTAR_COUNTS")),
    # Answers that cost much and depend on nothing but what is asked: every worker reads what one has worked out.
    "answers": machines.answers_cache(_CACHE),
}

# --- what the browser may do ---

# Where a scale's bridge is looked for (see docs/devices.md); the stand-in speaks there by itself.
DESPERTAR_SCALE = os.environ.get("DESPERTAR_SCALE", "http://127.0.0.1:8421")

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "script-src": [SELF],
        "style-src": [SELF, NONCE],
        "font-src": [SELF],
        "img-src": [SELF, "data:", "blob:"],
        # The kitchen scale's bridge speaks from this machine, and the page alone reads it.
        "connect-src": [SELF, DESPERTAR_SCALE],
        "manifest-src": [SELF],
        "worker-src": [SELF],
        "base-uri": [NONE],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
    }
}
X_FRAME_OPTIONS = "DENY"
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
SECURE_CROSS_ORIGIN_OPENER_POLICY = "same-origin"
SECURE_SSL_REDIRECT = HTTPS
# The way to the proxy, where that is another than the kitchen's own; who asks whether it is alive asks in plain HTTP.
SECURE_SSL_HOST = os.environ.get("DESPERTAR_HTTPS_HOST")
SECURE_REDIRECT_EXEMPT = [r"^api/health$", r"^health/"]
SECURE_HSTS_SECONDS = 31_536_000 if HTTPS else 0
SECURE_HSTS_INCLUDE_SUBDOMAINS = HTTPS
SECURE_HSTS_PRELOAD = HTTPS
# A photo of 12 MB in base64, and a little around it; what else comes is held by its own schema.
DATA_UPLOAD_MAX_MEMORY_SIZE = 17_000_000

# --- files ---

# Where bakers' files lie on one machine; beside the database, never among what is served as files.
DESPERTAR_FILES = os.environ.get("DESPERTAR_FILES", str(ROOT / "var" / "files"))
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"},
    "files": machines.files(os.environ),
}

# Writes are refused while no more than this is free.
LEAST_FREE_BYTES = int(float(os.environ.get("DESPERTAR_LEAST_FREE_MB", "100")) * 1e6)

STATIC_URL = "/static/"
MEDIA_URL = "/media/"
WHITENOISE_ROOT = WEB_DIST
_HASHED = re.compile(r"^/(assets/.+-[\w-]{8}\.\w+|python/ferment-\w{8}\.zip|python/runtime-\w{8}/.+)$")
# The page's own Python: compiled code runs in that worker and nowhere else, and it speaks with nobody.
_CORE_WORKER = re.compile(r"^/assets/\w+/core\.worker-[\w-]{8}\.js$")
_CORE_WORKER_MAY = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'"


def WHITENOISE_IMMUTABLE_FILE_TEST(_path: str, url: str) -> bool:  # noqa: N802  (the setting's name)
    return _HASHED.match(url) is not None


def WHITENOISE_ADD_HEADERS_FUNCTION(headers: Headers, _path: str, url: str) -> None:  # noqa: N802
    if _CORE_WORKER.match(url):
        headers["Content-Security-Policy"] = _CORE_WORKER_MAY


# --- tests and logs ---

# One JSON object a line, each request with one; else what goes wrong alone, in lines for the eye.
LOGS_REQUESTS = os.environ.get("DESPERTAR_LOGS") == "json"
TEST_RUNNER = "config.test_runner.CountingRunner"
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {
        "line": {"format": "%(asctime)s %(levelname)s %(name)s %(message)s"},
        "json": {"()": "config.observed.LineOfJson"},
    },
    "filters": {"secrets": {"()": "config.private.WithoutSecrets"}},
    "handlers": {
        "console": {
            "class": "logging.StreamHandler",
            "formatter": "json" if LOGS_REQUESTS else "line",
            "filters": ["secrets"],
        }
    },
    "root": {"handlers": ["console"], "level": "WARNING"},
    # What a baker mistyped is answered by its field; it is no news for the operator.
    "loggers": {"django.request": {"level": "ERROR"}, "despertar.requests": {"level": "INFO"}},
}
