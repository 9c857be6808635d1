#!/usr/bin/env python3
"""Compares what `mapsel describe` says of real OpenAPI and Swagger documents with an independent reading of them.

    compare_openapi.py DOCUMENTS TRUTH [--exceptions]

Prints how many documents are read, and how many operations, parameters, bodies and answers agree; with
--exceptions also each that does not.
"""
import collections
import pathlib
import sys

import compare


def names(rows):
    """The names of the members at the top of a body, through what has no name of its own."""
    return {row["wire"][0] for row in rows if row["in"] == "body" and len(row["wire"]) == 1 and row["wire"][0] != "*"}


def main():
    documents, truth = pathlib.Path(sys.argv[1]), sys.argv[2]
    lines = [one for one in compare.truth_lines(truth) if one["family"] == "openapi"]
    read = compare.describe([str(documents / one["file"]) for one in lines], "--depth", "2")
    count = collections.Counter()
    exceptions = []

    def judge(what, agrees, where, detail):
        count[what, bool(agrees)] += 1
        if not agrees:
            exceptions.append(f"{what}: {where}: {detail}")

    for one in lines:
        ours = read.get(str(documents / one["file"]))
        name = one["file"].split("/", 2)[2]
        judge("read", ours and "format" in ours, name, ours and ours["findings"][:1])
        if not ours or "format" not in ours:
            continue
        judge("version", (ours["format"], ours["version"]) == (one.get("format"), one.get("version")), name, ours["version"])
        known = {f"{op['method']} {op['pathTemplate']}": op for op in ours["operations"]}
        truths = {op["op"]: op for op in one["operationList"]}
        judge("operation set", set(known) == set(truths), name, sorted(set(known) ^ set(truths))[:4])
        for op, expected in truths.items():
            mine = known.get(op)
            judge("operation", mine, f"{name} {op}", "missing")
            if not mine:
                continue
            where = f"{name} {op}"
            params = [f"{p['in']}:{p['name']}" for p in mine["parameters"]]
            judge("parameters", sorted(params) == sorted(expected.get("paramList", [])), where, (params, expected.get("paramList")))
            judge("body", any(row["in"] == "body" for row in mine["input"]) == expected["body"], where, expected["body"])
            if "bodyTypes" in expected:
                judge("body types", sorted(mine["requestTypes"]) == sorted(expected["bodyTypes"]), where, (mine["requestTypes"], expected["bodyTypes"]))
            if "bodyProps" in expected:
                judge("body members", len(names(mine["input"])) == expected["bodyProps"], where, (sorted(names(mine["input"])), expected["bodyProps"]))
            if "respProps" in expected:
                judge("answer members", len(names(mine["output"])) == expected["respProps"], where, (sorted(names(mine["output"])), expected["respProps"], expected.get("response")))
            if "respArray" in expected:
                whole = [row for row in mine["output"] if row["path"] == ["items"] and row["repeats"] and not row["wire"]]
                judge("answer is a list", bool(whole) == expected["respArray"], where, expected["respArray"])
    for what in dict.fromkeys(what for what, _ in count):
        yes, no = count[what, True], count[what, False]
        print(f"{what:18} {yes:6} of {yes + no}")
    if "--exceptions" in sys.argv:
        print(*exceptions, sep="\n")


if __name__ == "__main__":
    main()
