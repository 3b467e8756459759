"""Another implementation of eddsa-rdfc-2022, from Debian's python3-pyld and python3-cryptography, to hold ours against.

Reads {"do": "verify" | "sign", "document", "contexts", "seed"?, "options"?} and writes {"verified"} or {"document"}.
"""
import hashlib
import json
import sys

from cryptography.exceptions import InvalidSignature
from cryptography.hazmat.primitives.asymmetric.ed25519 import Ed25519PrivateKey, Ed25519PublicKey
from pyld import jsonld

LETTERS = "123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz"


def from_base58(text):
    number = 0
    for letter in text:
        number = number * 58 + LETTERS.index(letter)
    zeros = len(text) - len(text.lstrip("1"))
    return b"\0" * zeros + number.to_bytes((number.bit_length() + 7) // 8, "big")


def to_base58(data):
    number, text = int.from_bytes(data, "big"), ""
    while number:
        number, rest = divmod(number, 58)
        text = LETTERS[rest] + text
    return "1" * (len(data) - len(data.lstrip(b"\0"))) + text


def main():
    asked = json.load(sys.stdin)
    contexts = asked["contexts"]

    def load(url, _options):
        return {"contentType": "application/ld+json", "contextUrl": None, "documentUrl": url, "document": contexts[url]}

    def hashed(value):
        quads = jsonld.normalize(value, {"algorithm": "URDNA2015", "format": "application/n-quads", "documentLoader": load})
        return hashlib.sha256(quads.encode()).digest()

    document = dict(asked["document"])
    if asked["do"] == "verify":
        proof = document.pop("proof")
        value = from_base58(proof.pop("proofValue")[1:])
        proof["@context"] = document["@context"]
        key = from_base58(proof["verificationMethod"].split("#")[1][1:])[2:]
        try:
            Ed25519PublicKey.from_public_bytes(key).verify(value, hashed(proof) + hashed(document))
            print(json.dumps({"verified": True}))
        except InvalidSignature:
            print(json.dumps({"verified": False}))
        return
    secret = Ed25519PrivateKey.from_private_bytes(bytes(asked["seed"]))
    proof = dict(asked["options"])
    value = secret.sign(hashed({**proof, "@context": document["@context"]}) + hashed(document))
    print(json.dumps({"document": {**document, "proof": {**proof, "proofValue": "z" + to_base58(value)}}}))


main()
