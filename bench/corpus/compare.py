#!/usr/bin/env python3
"""Compares what `mapsel describe` says of real WSDL documents with an independent reading of them.

    compare.py DOCUMENTS TRUTH [--exceptions]

DOCUMENTS is a folder of fetched documents, TRUTH the reading (JSON lines, perhaps .xz). Prints how many
documents are read, and how many operations and sets of leaf paths agree; with --exceptions also each that does not.
"""
import collections
import hashlib
import json
import lzma
import pathlib
import subprocess
import sys
import tempfile

PROTOCOLS = ("soap11", "soap12", "http-GET", "http-POST")
ROOT = pathlib.Path(__file__).resolve().parents[2]


def truth_lines(path):
    opened = lzma.open(path, "rt") if path.endswith(".xz") else open(path)
    with opened as lines:
        return [json.loads(line) for line in lines]


def describe(files, *options):
    with tempfile.NamedTemporaryFile("w", suffix=".txt") as sources:
        sources.write("\n".join(files))
        sources.flush()
        done = subprocess.run(
            [str(ROOT / "mapsel"), "describe", "--format", "json", *options, "@" + sources.name], capture_output=True, text=True
        )
    if done.stderr.strip():
        print(done.stderr[:2000], file=sys.stderr)
    return {one["source"]: one for one in json_lines(done.stdout)}


def json_lines(text):
    """One JSON text in each line; a line ends with a line feed only, since JSON may hold what else separates lines."""
    return [json.loads(line) for line in text.split("\n") if line]


def leaves(rows, header=False):
    """Leaf paths of a side as {path: type}, in the notation of the truth."""
    rows = [row for row in rows if row["in"] in (("header",) if header else ("body", "parameter"))]
    repeats = {tuple(row["wire"]): row["repeats"] for row in rows if row["wire"]}
    inner = {tuple(row["path"][:i]) for row in rows for i in range(len(row["path"]))}
    found = {}
    for row in rows:
        wire = row["wire"]
        if not wire or tuple(row["path"]) in inner:
            continue
        marked = [
            name + ("[]" if repeats.get(tuple(wire[: i + 1])) and name != "*" else "") for i, name in enumerate(wire)
        ]
        found["/".join(marked)] = row["type"]
    return found


def expected(sets, key):
    """The truth's leaves; of the largest sets it keeps the number and the hash of the paths alone."""
    one = sets.get(key)
    return None if one is None or "leaves" not in one else dict(one["leaves"])


def same_hash(one, got):
    return one["n"] == len(got) and hashlib.sha256("\n".join(sorted(got)).encode()).hexdigest() == one["sha256"]


def of(port):
    """What a port is called in what we say: a protocol that is not known here has no endpoint."""
    known = port.get("protocol") in PROTOCOLS
    return (port.get("port") or port.get("binding")) if known else None


def main():
    args = [arg for arg in sys.argv[1:] if not arg.startswith("--")]
    tell = "--exceptions" in sys.argv
    folder, truth = pathlib.Path(args[0]), truth_lines(args[1])
    documents = [line for line in truth if line["family"] == "wsdl"]
    read = describe([str(folder / line["file"]) for line in documents])
    count = collections.Counter()
    exceptions = []
    for line in documents:
        # The truth keeps one set of types for all sides with the same paths: only a set used once tells of types.
        uses = collections.Counter(
            operation.get(key)
            for port in line.get("portList", [])
            for operation in port["operations"]
            for key in ("in", "out", "inHeaderSet", "outHeaderSet")
        )
        ours = read.get(str(folder / line["file"]), {})
        count["documents"] += 1
        operations = ours.get("operations")
        if operations is None:
            count["documents not read"] += 1
            exceptions.append((line["file"], "not read", ours.get("findings", "nothing was said of it"), line["status"]))
            continue
        by_port = collections.defaultdict(list)
        anywhere = collections.defaultdict(list)
        ports = {of(port) for port in line.get("portList", [])}
        for operation in operations:
            anywhere[operation["name"]].append(operation)
            for endpoint in operation["endpoints"] or [None]:
                # Ports of several services may have one name; then ours have numbers.
                name = endpoint if endpoint in ports or endpoint is None else endpoint.rstrip("0123456789")
                by_port[(name, operation["name"])].append(operation)
        told = {(of(port), operation["name"]) for port in line.get("portList", []) for operation in port["operations"]}
        for endpoint, name in by_port.keys() - told:
            count["operations more than there are"] += 1
            exceptions.append((line["file"], "more", endpoint, name))
        for port in line.get("portList", []):
            for operation in port["operations"]:
                count["operations"] += 1
                candidates = by_port.get((of(port), operation["name"]), [])
                if of(port) is None:
                    # What only such a protocol offers is listed without a port; what others offer too is listed there.
                    candidates = candidates or anywhere[operation["name"]]
                if not candidates:
                    exceptions.append((line["file"], "operation", port.get("port"), port.get("protocol"), operation["name"], operation.get("error")))
                    continue
                count["operations found"] += 1
                for side, key, rows in (
                    ("in", operation.get("in"), "input"),
                    ("out", operation.get("out"), "output"),
                    ("in headers", operation.get("inHeaderSet"), "input"),
                    ("out headers", operation.get("outHeaderSet"), "output"),
                ):
                    if key not in line["sets"]:
                        continue
                    count["sides"] += 1
                    got = [leaves(one[rows], "headers" in side) for one in candidates]
                    want = expected(line["sets"], key)
                    if want is None:
                        agrees = any(same_hash(line["sets"][key], one) for one in got)
                        count["sides agree"] += agrees
                        if not agrees:
                            exceptions.append((line["file"], side, operation["name"], "another hash over", line["sets"][key]["n"]))
                        continue
                    if any(set(one) == set(want) for one in got):
                        count["sides agree"] += 1
                    else:
                        missing, extra = sorted(set(want) - set(got[0])), sorted(set(got[0]) - set(want))
                        exceptions.append(
                            (line["file"], side, operation["name"], "missing", missing[:3], "extra", extra[:3])
                        )
                    for path, type_ in want.items():
                        count["leaf paths"] += 1
                        types = [one[path] for one in got if path in one]
                        count["leaf paths agree"] += bool(types)
                        if types and uses[key] == 1 and not type_.startswith("~"):
                            count["types"] += 1
                            count["types agree"] += type_ in types
                            if type_ not in types:
                                exceptions.append((line["file"], "type", path, type_, types[0]))
    for name, number in count.items():
        print(f"{number:7} {name}")
    if tell:
        for exception in exceptions:
            print(*exception)


if __name__ == "__main__":
    main()
