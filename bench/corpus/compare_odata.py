#!/usr/bin/env python3
"""Compares what `mapsel describe` says of real OData metadata with an independent reading of it.

    compare_odata.py DOCUMENTS TRUTH [--exceptions]

Prints how many documents are read, and how many types, keys, properties, sets, functions and actions agree; with
--exceptions also each that does not.
"""
import collections
import pathlib
import sys

import compare


def written(prop):
    """A property in the notation of the truth."""
    length = f"({prop['maxLength']})" if "maxLength" in prop else ""
    return f"{prop['name']}:{prop['type']}{'' if prop['nullable'] else '!'}{length}"


def main():
    documents, truth = pathlib.Path(sys.argv[1]), sys.argv[2]
    lines = [one for one in compare.truth_lines(truth) if one["family"] == "odata"]
    read = compare.describe([str(documents / one["file"]) for one in lines], "--no-fields")
    count = collections.Counter()
    exceptions = []

    def judge(what, agrees, where, detail=""):
        count[what, bool(agrees)] += 1
        if not agrees:
            exceptions.append(f"{what}: {where}: {detail}")

    for one in lines:
        ours = read.get(str(documents / one["file"]))
        name = "/".join(one["file"].split("/")[-3:])
        judge("read", ours and "format" in ours, name, ours and ours["findings"][:1])
        if one["status"] == "fail" or not ours or "format" not in ours:
            continue
        judge("version", ours["version"] == one["version"], name, (ours["version"], one["version"]))
        for key, title in (("entityTypeList", "entityTypes"), ("complexTypeList", "complexTypes")):
            mine = {t["name"]: t for t in ours[title]}
            judge(title + " of a document", len(ours[title]) == len(one.get(key, [])), name, (len(ours[title]), len(one.get(key, []))))
            for expected in one.get(key, []):
                where = f"{name} {expected['name']}"
                type_ = mine.get(expected["name"])
                judge(title, type_, where, "missing")
                if not type_:
                    continue
                if key == "entityTypeList":
                    judge("keys", type_["keys"] == expected["keys"], where, (type_["keys"], expected["keys"]))
                    judge("base", type_.get("base") == expected.get("base"), where, (type_.get("base"), expected.get("base")))
                if "propList" in expected:
                    props = list(map(written, type_["properties"]))
                    judge("properties", props == expected["propList"], where, sorted(set(props) ^ set(expected["propList"]))[:4])
                navs = [n["name"] + ":" + n["type"] for n in type_["navigations"]]
                if "navList" in expected and one["version"] >= "4":
                    judge("navigations", navs == expected["navList"], where, sorted(set(navs) ^ set(expected["navList"]))[:4])
                elif "navList" in expected:
                    judge("navigations", [n.split(":")[0] for n in navs] == [n.split(":")[0] for n in expected["navList"]], where, navs)
        sets = [(s["name"], s["type"]) for s in ours["entitySets"]]
        judge("entity sets", sets == [(s["name"], s["type"]) for s in one.get("entitySetList", [])], name, sets[:3])
        judge("singletons", [s["name"] for s in ours["singletons"]] == [s["name"] for s in one.get("singletonList", [])], name)
        judge("enums", len(ours["enumTypes"]) == one.get("enumTypes", 0), name)
        if one["version"] >= "4":
            judge("actions", len(ours["actions"]) == one.get("actions", 0), name, (len(ours["actions"]), one.get("actions")))
            judge("functions", len(ours["functions"]) == one.get("functions", 0), name, (len(ours["functions"]), one.get("functions")))
        imports = one.get("actionImports", 0) + one.get("functionImports", 0)
        judge("imports", len(ours["imports"]) == imports, name, (len(ours["imports"]), imports))
    for what in dict.fromkeys(what for what, _ in count):
        yes, no = count[what, True], count[what, False]
        print(f"{what:28} {yes:6} of {yes + no}")
    if "--exceptions" in sys.argv:
        print(*exceptions, sep="\n")


if __name__ == "__main__":
    main()
