"""Settings shared by serving and testing. Secrets and the database's place come from ``.run``."""

from __future__ import annotations

import json
import os
from pathlib import Path
from typing import Any

ROOT = Path(__file__).resolve().parents[2]
RUN = Path(os.environ.get("CRISP_RUN_DIR", ROOT / ".run"))
RUN_DIR = RUN
_kept = RUN / "secrets.json"
SECRETS: dict[str, Any] = json.loads(_kept.read_text()) if _kept.exists() else {}

SECRET_KEY = SECRETS.get("django", "only-for-building-without-a-server")
DEBUG = False
ALLOWED_HOSTS = os.environ.get("CRISP_HOSTS", "localhost,127.0.0.1,[::1]").split(",")
DEMO_ACCOUNT = os.environ.get("CRISP_DEMO") == "1"

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "axes",
    "csp",
    "django_tasks",
    "django_tasks_db",
    "muster.apps.accounts",
    "muster.apps.house",
    "muster.apps.colour",
    "muster.apps.recipes",
    "muster.apps.roll",
    "muster.apps.build",
    "muster.apps.bench",
    "muster.apps.plan",
]
MIDDLEWARE = [
    "muster.apps.request_ids.RequestId",
    "muster.apps.response_headers.ResponseHeaders",
    "muster.apps.request_limits.RequestLimits",
    "muster.apps.request_pool.RequestPool",
    "django.middleware.gzip.GZipMiddleware",
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "csp.middleware.CSPMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
]
ROOT_URLCONF = "muster.urls"
WSGI_APPLICATION = "muster.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [ROOT / "web" / "dist"],
        "OPTIONS": {"context_processors": ["django.template.context_processors.request"]},
    }
]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.mysql",
        "NAME": os.environ.get("CRISP_DATABASE", "crisp_muster"),
        "USER": "crisp",
        "PASSWORD": SECRETS.get("database", ""),
        "HOST": "127.0.0.1",
        "PORT": SECRETS.get("port", 3307),
        "CONN_MAX_AGE": 60,
        "CONN_HEALTH_CHECKS": True,
        "OPTIONS": {
            "charset": "utf8mb4",
            "connect_timeout": 5,
            "init_command": "SET sql_mode='STRICT_ALL_TABLES', innodb_strict_mode=1",
        },
        "TEST": {"CHARSET": "utf8mb4", "COLLATION": "utf8mb4_bin"},
    }
}
CACHES = {
    "default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"},
    # What is worked out of a plan, for all processes of one server; emptied when it starts.
    "plans": {
        "BACKEND": "django.core.cache.backends.filebased.FileBasedCache",
        "LOCATION": RUN_DIR / "plans",
        "OPTIONS": {"MAX_ENTRIES": 400},
    },
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
PASSWORD_HASHERS = ["django.contrib.auth.hashers.Argon2PasswordHasher"]
AUTH_PASSWORD_VALIDATORS = [
    {
        "NAME": "django.contrib.auth.password_validation.MinimumLengthValidator",
        "OPTIONS": {"min_length": 8},
    },
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
    {"NAME": "django.contrib.auth.password_validation.UserAttributeSimilarityValidator"},
    {"NAME": "muster.apps.accounts.passwords.SomethingInIt"},
]
SIGN_UPS = os.environ.get("CRISP_SIGN_UPS", "20/h")
"""New accounts from one address."""
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = 0.25  # hours
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
AXES_LOCKOUT_CALLABLE = "muster.apps.accounts.lockout.locked"

TASKS = {"default": {"BACKEND": "django_tasks_db.DatabaseBackend"}}

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": ["'self'"],
        "img-src": ["'self'", "data:"],
        "style-src": ["'self'"],
        "script-src": ["'self'"],
        "object-src": ["'none'"],
        "base-uri": ["'none'"],
        "form-action": ["'self'"],
        "frame-ancestors": ["'none'"],
    }
}
HTTPS = os.environ.get("CRISP_HTTPS") == "1"
"""Behind a proxy that speaks HTTPS and sets ``X-Forwarded-Proto``: cookies go by HTTPS only, and
browsers are told to come by nothing else for a year. Names it answers to: ``CRISP_HOSTS``."""

NINJA_NUM_PROXIES = 1 if HTTPS else 0
"""Whose word counts for the address that asks: the one proxy's, or nobody's."""
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = SECURE_SSL_REDIRECT = HTTPS
SECURE_HSTS_SECONDS = 365 * 86400 if HTTPS else 0
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if HTTPS else None
USE_X_FORWARDED_HOST = HTTPS
SECURE_REDIRECT_EXEMPT = [r"^healthz$"]
CSRF_TRUSTED_ORIGINS = [f"https://{host}" for host in ALLOWED_HOSTS if HTTPS]
SESSION_COOKIE_AGE = 60 * 86400
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
X_FRAME_OPTIONS = "DENY"
SECURE_CONTENT_TYPE_NOSNIFF = True
DATA_UPLOAD_MAX_MEMORY_SIZE = 5_000_000
"""Of a body that is no file."""
REQUEST_MOST_BYTES = 41_000_000
"""Of any request: the largest mesh, and the form around it."""
REQUEST_SECONDS = float(os.environ.get("CRISP_REQUEST_SECONDS", "20"))
"""How long a request is worked on; a plan of ten times the demo takes a twentieth of that."""

STATIC_URL = "/static/"
STATIC_ROOT = RUN / "static"
STATICFILES_DIRS = [ROOT / "web" / "dist"] if (ROOT / "web" / "dist").exists() else []
WHITENOISE_USE_FINDERS = False
WHITENOISE_IMMUTABLE_FILE_TEST = r"/assets/.+-[\w-]{8}\.\w+$"
"""Files that carry a digest of their content in their name: a browser asks for them once."""
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"},
}

LANGUAGE_CODE = "en-gb"
USE_TZ = True
TIME_ZONE = "UTC"
LOG_FORMAT = "json" if os.environ.get("CRISP_LOG") == "json" else "line"
"""``json``: each line of the log is an object, for a machine that collects them."""

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "filters": {"with_id": {"()": "muster.apps.request_ids.WithId"}},
    "formatters": {"line": {"format": "{asctime} {levelname} {request_id} {name}: {message}",
                            "style": "{"},
                   "json": {"()": "muster.apps.request_ids.AsJson"}},
    "handlers": {"stderr": {"class": "logging.StreamHandler", "filters": ["with_id"],
                            "formatter": LOG_FORMAT}},
    "root": {"handlers": ["stderr"], "level": "WARNING"},
    "loggers": {"django": {"handlers": ["stderr"], "level": "WARNING", "propagate": False}},
}  # fmt: skip

SILENCED_SYSTEM_CHECKS: list[str] = []
