#!/usr/bin/env python3
"""Checks the JSON bodies that `mapsel request` makes against the schemas of real OpenAPI documents.

    check_bodies.py DOCUMENTS TRUTH [--exceptions]

The schemas are judged by a validator that is not ours (python3-jsonschema), by the rules of the version at hand.
"""
import collections
import json
import pathlib
import subprocess
import sys
import warnings

import jsonschema
import yaml

import compare

METHODS = "get put post delete options head patch trace".split()


class Loader(yaml.CSafeLoader):
    """Dates stay texts, as they are in JSON."""


Loader.yaml_implicit_resolvers = {
    first: [(tag, pattern) for tag, pattern in pairs if tag != "tag:yaml.org,2002:timestamp"]
    for first, pairs in yaml.SafeLoader.yaml_implicit_resolvers.items()
}


def raw(file):
    """A document as it stands; JSON is read as JSON, since YAML takes some of it for something else."""
    content = file.read_bytes()
    try:
        return json.loads(content)
    except ValueError:
        return yaml.load(content, Loader)


def for_requests(node):
    """What only comes back is not required in a request (OpenAPI 3.0, Schema Object)."""
    if isinstance(node, dict):
        members = node.get("properties")
        if isinstance(members, dict) and isinstance(node.get("required"), list):
            node["required"] = [n for n in node["required"] if not (isinstance(members.get(n), dict) and members[n].get("readOnly"))]
            if not node["required"]:
                del node["required"]
        if node.get("nullable") and isinstance(node.get("type"), str):
            node["type"] = [node["type"], "null"]
        return {str(k): for_requests(v) for k, v in node.items()}
    return [for_requests(v) for v in node] if isinstance(node, list) else node


def follow(root, node):
    while isinstance(node, dict) and "$ref" in node and node["$ref"].startswith("#"):
        here = root
        for step in node["$ref"][2:].split("/"):
            here = here[step.replace("~1", "/").replace("~0", "~")]
        node = here
    return node


def schemas(root):
    """The JSON schema of each operation's body, by method and path."""
    found = {}
    for path, item in root.get("paths", {}).items():
        item = follow(root, item)
        for method in METHODS:
            operation = item.get(method) if isinstance(item, dict) else None
            if not isinstance(operation, dict):
                continue
            schema = None
            if "swagger" in root:
                for parameter in map(lambda one: follow(root, one), operation.get("parameters", []) + item.get("parameters", [])):
                    schema = parameter.get("schema", schema) if parameter.get("in") == "body" else schema
            else:
                content = follow(root, operation.get("requestBody", {})).get("content", {})
                for media, described in content.items():
                    if media.split(";")[0].endswith("json") and schema is None:
                        schema = described.get("schema")
            if schema is not None:
                found[f"{method.upper()} {path}"] = schema
    return found


def main():
    warnings.simplefilter("ignore")
    documents, truth = pathlib.Path(sys.argv[1]), sys.argv[2]
    lines = [one for one in compare.truth_lines(truth) if one["family"] == "openapi"]
    read = compare.describe([str(documents / one["file"]) for one in lines], "--no-fields")
    count = collections.Counter()
    exceptions = []
    for one in lines:
        file = documents / one["file"]
        try:
            root = for_requests(raw(file))
            wanted = schemas(root)
        except Exception as e:  # a document that these tools cannot take
            count["documents not judged"] += 1
            exceptions.append(f"{one['file']}: not judged: {str(e)[:200]}")
            continue
        draft = jsonschema.Draft202012Validator if str(root.get("openapi", "")) >= "3.1" else jsonschema.Draft4Validator
        names = {op["id"]: f"{op['method']} {op['pathTemplate']}" for op in read.get(str(file), {}).get("operations", [])}
        for options in ([], ["--all-optional"]):
            done = subprocess.run(
                [str(compare.ROOT / "mapsel"), "request", str(file), "--every-operation", *options], capture_output=True, text=True
            )
            made = compare.json_lines(done.stdout)
            count["requests not made"] += len(names) - len({line["operation"] for line in made})
            if done.stderr.strip():
                exceptions.append(f"{one['file']}: {done.stderr.strip()[:300]}")
            for line in {one["operation"]: one for one in made}.values():
                count["requests"] += 1
                schema = wanted.get(names[line["operation"]])
                if schema is None or not line["headers"].get("Content-Type", "").split(";")[0].endswith("json"):
                    continue
                if not line["body"]:
                    count["bodies left out"] += 1
                    continue
                count["JSON bodies"] += 1
                resolver = jsonschema.RefResolver("", root)
                try:
                    errors = list(draft(schema, resolver=resolver).iter_errors(json.loads(line["body"])))
                except Exception as e:  # a schema that the validator itself cannot take
                    count["schemas the validator refuses"] += 1
                    exceptions.append(f"{one['file']} {names[line['operation']]}: {str(e)[:200]}")
                    continue
                count["valid"] += not errors
                count["valid for several types where just one is wanted"] += bool(errors) and "valid under each of" in errors[0].message
                if errors:
                    at = "/".join(map(str, errors[0].absolute_path))
                    exceptions.append(f"{one['file']} {names[line['operation']]}: {at}: {errors[0].message[:200]}")
    for name, number in count.items():
        print(f"{number:7} {name}")
    if "--exceptions" in sys.argv:
        print(*exceptions, sep="\n")


if __name__ == "__main__":
    main()
