#!/usr/bin/env python3
"""Compares what `mapsel describe` says of real WSDL documents with an independent reading of them.

    compare.py DOCUMENTS TRUTH [--exceptions]

DOCUMENTS is a folder of fetched documents, TRUTH the reading (JSON lines, perhaps .xz). Prints how many
documents are read, and how many operations and sets of leaf paths agree; with --exceptions also each that does not.
"""
import collections
import json
import lzma
import pathlib
import subprocess
import sys
import tempfile

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
    return {one["source"]: one for one in map(json.loads, done.stdout.splitlines())}


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
    """The truth's leaves, with an element of its own counted once where only its attributes differ."""
    one = sets.get(key)
    return None if one is None or "leaves" not in one else {path: type_ for path, type_ in one["leaves"]}


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
        ours = read[str(folder / line["file"])]
        count["documents"] += 1
        operations = ours.get("operations")
        if operations is None:
            count["documents not read"] += 1
            exceptions.append((line["file"], "not read", ours["findings"][0]["code"], line["status"]))
            continue
        by_port = collections.defaultdict(list)
        for operation in operations:
            for endpoint in operation["endpoints"] or [None]:
                by_port[(endpoint, operation["name"])].append(operation)
                if endpoint is not None:
                    by_port[(None, operation["name"])].append(operation)
        for port in line.get("portList", []):
            for operation in port["operations"]:
                count["operations"] += 1
                candidates = by_port.get((port.get("port") or port.get("binding"), operation["name"]))
                candidates = candidates or by_port.get((None, operation["name"])) or []
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
                    want = expected(line["sets"], key)
                    if want is None:
                        continue
                    count["sides"] += 1
                    got = [leaves(one[rows], "headers" in side) for one in candidates]
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
