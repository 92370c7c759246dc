"""The house's own certificate authority: made once, kept for its owner's eyes only, bound to names of a house.

Run by the environment's Python (`-m launcher.authority`), since it stands on the `cryptography` package. What it signs
is trusted by whoever installs its certificate, so it may sign for nothing but private names and addresses: name
constraints (RFC 5280, 4.2.1.10), which browsers heed, keep it to those of RFC 1918, RFC 4193, `.local` (RFC 6762),
`.home.arpa` (RFC 8375), and this machine's own.
"""

from __future__ import annotations

import argparse
import datetime as dt
import json
import os
from collections.abc import Sequence
from ipaddress import IPv4Network, IPv6Network, ip_address, ip_network
from pathlib import Path

import segno
from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID

# No phone takes a certificate that is valid for longer (from memory: 398 days since 2020).
LEAF_DAYS, AUTHORITY_DAYS = 390, 3650
# Renewed when no more than this is left.
RENEW_DAYS = 60
# A clock that is a little behind must not find it not valid yet.
BEFORE = dt.timedelta(days=1)
NETWORKS = (
    *("10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16", "169.254.0.0/16", "127.0.0.0/8"),
    *("fc00::/7", "fe80::/10", "::1/128"),
)
DOMAINS = ("localhost", "local", "lan", "home.arpa")


class Unfit(ValueError):
    """A name or address that is none of a house."""


Authority = tuple[ec.EllipticCurvePrivateKey, x509.Certificate]


def authority(folder: Path, extra: tuple[str, ...], now: dt.datetime) -> Authority:
    """The one that is there, or a new one. `extra` are addresses and names of this machine beside the private ones."""
    key_file, file = folder / "authority.key", folder / "authority.crt"
    if key_file.exists() and file.exists():
        key = serialization.load_pem_private_key(key_file.read_bytes(), password=None)
        assert isinstance(key, ec.EllipticCurvePrivateKey)
        return key, x509.load_pem_x509_certificate(file.read_bytes())
    key = ec.generate_private_key(ec.SECP256R1())
    name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, f"Despertar, this house ({now:%Y-%m-%d})")])
    made = (
        _begun(name, name, key, now, AUTHORITY_DAYS)
        .add_extension(x509.BasicConstraints(ca=True, path_length=0), critical=True)
        .add_extension(_usage(signs=True), critical=True)
        .add_extension(x509.NameConstraints(_permitted(extra), None), critical=True)
        .sign(key, hashes.SHA256())
    )
    _keep(key_file, _pem(key))
    _keep(file, made.public_bytes(serialization.Encoding.PEM))
    return key, made


def certificate(folder: Path, names: tuple[str, ...], now: dt.datetime) -> x509.Certificate:
    """For these names and addresses: the one that is there while it is good for all of them and for long enough.

    Raises Unfit for a name that the authority may not sign for: it was made before the machine had that name.
    """
    key, ours = authority(folder, names, now)
    file = folder / "house.crt"
    if file.exists():
        there = x509.load_pem_x509_certificate(file.read_bytes())
        if names_of(there) == set(names) and there.not_valid_after_utc - now > dt.timedelta(days=RENEW_DAYS):
            return there
    _check(ours, names)
    own = ec.generate_private_key(ec.SECP256R1())
    subject = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, names[0])])
    made = (
        _begun(subject, ours.subject, own, now, LEAF_DAYS)
        .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
        .add_extension(_usage(signs=False), critical=True)
        .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
        .add_extension(x509.SubjectAlternativeName([_general(one) for one in names]), critical=False)
        .add_extension(
            x509.AuthorityKeyIdentifier.from_issuer_public_key(key.public_key()),
            critical=False,
        )
        .sign(key, hashes.SHA256())
    )
    _keep(folder / "house.key", _pem(own))
    chain = made.public_bytes(serialization.Encoding.PEM) + ours.public_bytes(serialization.Encoding.PEM)
    _keep(file, chain)
    return made


def names_of(made: x509.Certificate) -> set[str]:
    found = made.extensions.get_extension_for_class(x509.SubjectAlternativeName).value
    return {*found.get_values_for_type(x509.DNSName), *(str(one) for one in found.get_values_for_type(x509.IPAddress))}


def fingerprint(made: x509.Certificate) -> str:
    """SHA-256, in pairs, to be compared by eye."""
    return made.fingerprint(hashes.SHA256()).hex(":").upper()


def _begun(
    subject: x509.Name, issuer: x509.Name, key: ec.EllipticCurvePrivateKey, now: dt.datetime, days: int
) -> x509.CertificateBuilder:
    return (
        x509.CertificateBuilder()
        .subject_name(subject)
        .issuer_name(issuer)
        .public_key(key.public_key())
        .serial_number(x509.random_serial_number())
        .not_valid_before(now - BEFORE)
        .not_valid_after(now + dt.timedelta(days=days))
        .add_extension(x509.SubjectKeyIdentifier.from_public_key(key.public_key()), critical=False)
    )


def _usage(*, signs: bool) -> x509.KeyUsage:
    return x509.KeyUsage(
        digital_signature=not signs,
        key_cert_sign=signs,
        crl_sign=signs,
        content_commitment=False,
        key_encipherment=False,
        data_encipherment=False,
        key_agreement=False,
        encipher_only=False,
        decipher_only=False,
    )


def _general(name: str) -> x509.GeneralName:
    try:
        return x509.IPAddress(ip_address(name))
    except ValueError:
        return x509.DNSName(name)


def _permitted(extra: tuple[str, ...]) -> list[x509.GeneralName]:
    found: list[x509.GeneralName] = [x509.IPAddress(ip_network(one)) for one in NETWORKS]
    found += [x509.DNSName(one) for one in DOMAINS]
    for one in extra:
        try:
            found.append(x509.IPAddress(ip_network(one)))
        except ValueError:
            found.append(x509.DNSName(one))
    return found


def _check(ours: x509.Certificate, names: tuple[str, ...]) -> None:
    permitted = ours.extensions.get_extension_for_class(x509.NameConstraints).value.permitted_subtrees or []
    networks = [one.value for one in permitted if isinstance(one, x509.IPAddress)]
    domains = [one.value for one in permitted if isinstance(one, x509.DNSName)]
    for name in names:
        if not (_is_within(name, networks) or any(name == one or name.endswith(f".{one}") for one in domains)):
            raise Unfit(name)


def _is_within(name: str, networks: Sequence[object]) -> bool:
    try:
        address = ip_address(name)
    except ValueError:
        return False
    return any(isinstance(one, IPv4Network | IPv6Network) and address in one for one in networks)


def _pem(key: ec.EllipticCurvePrivateKey) -> bytes:
    return key.private_bytes(
        serialization.Encoding.PEM, serialization.PrivateFormat.PKCS8, serialization.NoEncryption()
    )


def _keep(file: Path, content: bytes) -> None:
    """Whole or not at all, for the owner's eyes only."""
    half = file.with_suffix(f"{file.suffix}.part")
    half.unlink(missing_ok=True)
    half.touch(mode=0o600)
    half.write_bytes(content)
    with half.open("rb") as written:
        os.fsync(written.fileno())
    half.replace(file)


def main() -> int:
    parser = argparse.ArgumentParser(prog="launcher.authority", description=__doc__)
    parser.add_argument("--into", type=Path, required=True)
    parser.add_argument("--code", help="an address, to be printed as a QR code for a phone")
    parser.add_argument("--until", action="store_true", help="only say until when the one that is there is good")
    parser.add_argument("names", nargs="*")
    asked = parser.parse_args()
    if asked.until:
        there = x509.load_pem_x509_certificate((asked.into / "house.crt").read_bytes())
        print(json.dumps({"until": there.not_valid_after_utc.isoformat()}))
        return 0
    asked.into.mkdir(mode=0o700, parents=True, exist_ok=True)
    now = dt.datetime.now(dt.UTC)  # noqa: TID251  (the launcher has no Django)
    names = tuple(asked.names)
    try:
        made = certificate(asked.into, names, now)
    except Unfit as unfit:
        print(json.dumps({"unfit": str(unfit)}))
        return 3
    _, ours = authority(asked.into, names, now)
    code = segno.make(asked.code, error="m") if asked.code else None
    told = {
        "fingerprint": fingerprint(ours),
        "until": made.not_valid_after_utc.isoformat(),
        # Dark modules by row, the quiet zone with them; drawn by whoever has a terminal.
        "code": ["".join("#" if dark else " " for dark in row) for row in code.matrix_iter(border=2)] if code else [],
    }
    print(json.dumps(told))
    return 0


if __name__ == "__main__":
    raise SystemExit(main())
