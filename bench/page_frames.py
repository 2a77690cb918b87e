"""A menu of a hundred buttons that all change at once when one more is pressed.

  page_frames.py PROJECT OUT   PROJECT: where the kinds come from
"""
import json
import sys

project = json.load(open(sys.argv[1]))
kinds = [k for k in project["kinds"] if k["name"] in ("Pill", "Bevelled slab", "Chevron tab", "Toggle")]
for machine in project["machines"]:
    machine["timing"] = {"duration": 900, "easing": "bezier 0.3 0 0.3 1"}
    for t in machine["transitions"]:
        t.pop("timing", None)
        t.pop("propTimings", None)
project["values"] = [{"id": "v1", "name": "lit", "start": 0, "sort": "flag"}]
items = [
    {
        "id": f"b{i}", "type": "button", "kind": kinds[i % len(kinds)]["id"], "caption": f"Entry {i}",
        "x": 40 + 185 * (i % 10), "y": 120 + 92 * (i // 10), "enabledWhen": "@v1",
    }
    for i in range(100)
]
items.append({"id": "turn", "type": "button", "kind": kinds[0]["id"], "caption": "Turn", "x": 40, "y": 20, "actions": [{"do": "flip", "value": "v1"}]})
project["screens"] = [{"id": "s1", "name": "Hundred", "backdrop": "#47525a", "entry": "turn", "items": items}]
project["first"] = "s1"
json.dump(project, open(sys.argv[2], "w"))
