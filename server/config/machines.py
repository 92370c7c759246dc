"""What differs between one machine and many: where the database is, who counts, and where files lie.

All of it is read from the environment (`docs/keeping-a-house.md` has the table). On one machine the launcher tells a
socket and two folders; on many (`deploy/`) nothing of a kitchen's state lies on a machine that serves it.
"""

from __future__ import annotations

from collections.abc import Mapping

Environ = Mapping[str, str]
Settings = dict[str, object]

# Seconds until a server that does not answer at all is given up.
CONNECT_S, CACHE_S = 5, 0.5
# Longer than anything asked of the database takes, and than a cluster rests when one of its machines is lost.
ANSWER_S = 30

_SESSION = "sql_mode='TRADITIONAL', time_zone='+00:00'"
# A read waits until this machine of the cluster has what another had taken before: what was just written is read
# (MariaDB's manual, "wsrep_sync_wait").
_WAITS = "wsrep_sync_wait=1"


def database(environ: Environ) -> Settings:
    """A private server's socket, or host and port of a cluster's."""
    host = environ.get("DESPERTAR_DB_HOST")
    session = f"SET {_SESSION}, {_WAITS}" if environ.get("DESPERTAR_DB_CLUSTER") == "1" else f"SET {_SESSION}"
    options: Settings = {
        "charset": "utf8mb4",
        "collation": "utf8mb4_uca1400_ai_ci",
        "isolation_level": "read committed",
        "init_command": session,
    }
    if host:
        options |= {"connect_timeout": CONNECT_S, "read_timeout": ANSWER_S, "write_timeout": ANSWER_S}
    return {
        "ENGINE": "django.db.backends.mysql",
        "NAME": environ.get("DESPERTAR_DB_NAME", "despertar"),
        "USER": environ.get("DESPERTAR_DB_USER", "despertar"),
        "PASSWORD": environ.get("DESPERTAR_DB_PASSWORD", ""),
        "HOST": host or environ.get("DESPERTAR_DB_SOCKET", ""),
        "PORT": environ.get("DESPERTAR_DB_PORT", "") if host else "",
        "CONN_MAX_AGE": 60,
        "CONN_HEALTH_CHECKS": True,
        "OPTIONS": options,
        "TEST": {"CHARSET": "utf8mb4", "COLLATION": "utf8mb4_uca1400_ai_ci"},
    }


def answers_cache(address: str | None) -> Settings:
    """In the database; or in a server that speaks as Redis does (`redis://host:port/0`), where one is named."""
    if address:
        return {
            "BACKEND": "django.core.cache.backends.redis.RedisCache",
            "LOCATION": address,
            "KEY_PREFIX": "despertar",
            "OPTIONS": {
                "serializer": "config.signed.SignedPickles",
                "socket_connect_timeout": CACHE_S,
                "socket_timeout": CACHE_S,
            },
        }
    return {
        "BACKEND": "django.core.cache.backends.db.DatabaseCache",
        "LOCATION": "answers",
        # A log of each jar on the shelf of a few thousand kitchens, at about 20 kB.
        "OPTIONS": {"MAX_ENTRIES": 10_000},
    }


def counts_cache(address: str | None, folder: str | None) -> Settings:
    """What is counted by address and by account: in files that all workers of a machine read; by each for itself
    without a place for them; or for all machines in the same server. When that is down nothing is counted and nobody is
    kept out: one name's guesses are held by the database all the same (`axes`)."""
    if address:
        return {
            "BACKEND": "django_redis.cache.RedisCache",
            "LOCATION": address,
            "KEY_PREFIX": "counts",
            "OPTIONS": {
                "IGNORE_EXCEPTIONS": True,
                # Times and counts, which need no more.
                "SERIALIZER": "django_redis.serializers.json.JSONSerializer",
                "SOCKET_CONNECT_TIMEOUT": CACHE_S,
                "SOCKET_TIMEOUT": CACHE_S,
            },
        }
    kind = "filebased.FileBasedCache" if folder else "locmem.LocMemCache"
    return {
        "BACKEND": f"django.core.cache.backends.{kind}",
        "LOCATION": folder or "counts",
        "OPTIONS": {"MAX_ENTRIES": 5_000},
    }


def files(environ: Environ) -> Settings:
    """A folder of this machine (`DESPERTAR_FILES`), or a bucket of a store that speaks as S3 does. Who may write there
    is told by that world's own names (`AWS_ACCESS_KEY_ID`, `AWS_SECRET_ACCESS_KEY`)."""
    bucket = environ.get("DESPERTAR_S3_BUCKET")
    if not bucket:
        return {"BACKEND": "files.WholeFiles"}
    return {
        "BACKEND": "storages.backends.s3.S3Storage",
        "OPTIONS": {
            "bucket_name": bucket,
            "endpoint_url": environ.get("DESPERTAR_S3_ENDPOINT"),
            "region_name": environ.get("DESPERTAR_S3_REGION", "eu-west-1"),
            "default_acl": "private",
            "file_overwrite": True,
        },
    }
