#!/usr/bin/env python3
"""Compares what `mapsel describe` says of real OpenAPI and Swagger documents with an independent reading of them.

    compare_openapi.py DOCUMENTS TRUTH [--exceptions]

Prints how many documents are read, and how many operations, parameters, bodies and answers agree; with
--exceptions also each that does not. The reading counts the members of bodies and answers; their names and types are
taken from the documents as they stand, where that comes to the same number.
"""
import collections
import pathlib
import sys

import check_bodies
import compare


def members(rows):
    """The members at the top of a body, through what has no name of its own, with their types."""
    inner = {tuple(row["wire"][:1]) for row in rows if len(row["wire"]) > 1}
    return {
        row["wire"][0]: "group" if tuple(row["wire"]) in inner else ("list of " if row["repeats"] else "") + row["type"]
        for row in rows
        if row["in"] == "body" and len(row["wire"]) == 1 and row["wire"][0] != "*"
    }


def declared(root, schema, depth=0):
    """The members of a schema as it stands: references followed, the items of a list, all of what it is made of."""
    schema = check_bodies.follow(root, schema)
    if not isinstance(schema, dict) or depth > 20:
        return {}
    found = {}
    for part in schema.get("allOf", []):
        found |= declared(root, part, depth + 1)
    if schema.get("properties"):
        found |= {name: check_bodies.follow(root, one) for name, one in schema["properties"].items()}
    elif not found and "items" in schema:
        return declared(root, schema["items"], depth + 1)
    return found


def kind(schema):
    """What is plain of a member's type; nothing where it is not."""
    if not isinstance(schema, dict) or any(key in schema for key in ("enum", "const", "oneOf", "anyOf", "allOf", "format")):
        return None
    return schema["type"] if schema.get("type") in ("string", "boolean", "integer", "number") else None


def answer(operation):
    """The answer that counts: the lowest of those that say it went well, else the default."""
    responses = operation.get("responses", {})
    good = sorted(str(code) for code in responses if str(code).startswith("2"))
    return responses.get(good[0], responses.get(int(good[0]) if good[0].isdigit() else None)) if good else responses.get("default")


def json_schema(root, described):
    described = check_bodies.follow(root, described or {})
    if "schema" in described:
        return described["schema"]
    for media, content in described.get("content", {}).items():
        if media.split(";")[0].endswith("json"):
            return content.get("schema")
    return None


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

    def judge_members(side, rows, number, schema, root, where):
        mine, stands = members(rows), declared(root, schema) if schema is not None else {}
        judge(f"{side} members", len(mine) == number, where, (sorted(mine), number))
        if len(stands) == number:
            judge(f"{side} member names", set(mine) == set(stands), where, sorted(set(mine) ^ set(stands))[:4])
            for name in mine.keys() & stands.keys():
                if kind(stands[name]):
                    judge(f"{side} member types", mine[name] == kind(stands[name]), f"{where} {name}", (mine[name], stands[name]))

    for one in lines:
        ours = read.get(str(documents / one["file"]))
        name = one["file"].split("/", 2)[2]
        judge("read", ours and "format" in ours, name, ours and ours["findings"][:1])
        if not ours or "format" not in ours:
            continue
        root = check_bodies.raw(documents / one["file"])
        bodies = check_bodies.schemas(root)
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
            method, path = op.split(" ", 1)
            stands = check_bodies.follow(root, root["paths"].get(path, {})).get(method.lower(), {})
            params = [f"{p['in']}:{p['name']}" for p in mine["parameters"]]
            judge("parameters", sorted(params) == sorted(expected.get("paramList", [])), where, (params, expected.get("paramList")))
            judge("body", any(row["in"] == "body" for row in mine["input"]) == expected["body"], where, expected["body"])
            if "bodyTypes" in expected:
                judge("body types", sorted(mine["requestTypes"]) == sorted(expected["bodyTypes"]), where, (mine["requestTypes"], expected["bodyTypes"]))
            if "bodyProps" in expected:
                judge_members("body", mine["input"], expected["bodyProps"], bodies.get(op), root, where)
            if "respProps" in expected:
                judge_members("answer", mine["output"], expected["respProps"], json_schema(root, answer(stands)), root, where)
            if "respArray" in expected:
                whole = [row for row in mine["output"] if row["path"] == ["items"] and row["repeats"] and not row["wire"]]
                judge("answer is a list", bool(whole) == expected["respArray"], where, expected["respArray"])
    for what in dict.fromkeys(what for what, _ in count):
        yes, no = count[what, True], count[what, False]
        print(f"{what:20} {yes:6} of {yes + no}")
    if "--exceptions" in sys.argv:
        print(*exceptions, sep="\n")


if __name__ == "__main__":
    main()
