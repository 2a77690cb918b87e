"""A project that shows kinds in all their states at once, for holding pages to pictures at 1x and 2x.

  states.py PROJECT OUT           each state of each kind stands still on a screen
  states.py PROJECT OUT --doubled the project as it is, on its first display twice as dense
"""
import copy
import json
import sys

project = json.load(open(sys.argv[1]))
doubled = "--doubled" in sys.argv


def merged(base, departures):
    out = copy.deepcopy(base)
    for part, values in departures.items():
        out.setdefault(part, {}).update(values)
    return out


def still(kind, machine, state):
    """The kind as it looks in that state, and in no other."""
    out = copy.deepcopy(kind)
    out.update(id=f"{kind['id']}-{state['id']}", name=f"{kind['name']}, {state['name']}", still=True)
    out["base"] = merged(kind.get("base", {}), kind.get("departures", {}).get(state["id"], {}))
    out.pop("departures", None)
    out.pop("motions", None)
    return out


def spread(kinds):
    """From the upper left, in rows; with room for what looks reach beyond their boxes."""
    room, wide = 56, 1600
    x = y = room
    row = 0
    for kind in kinds:
        w, h = kind["width"], kind["height"]
        if x + w + room > wide:
            x, y, row = room, y + row + room, 0
        yield kind, x, y
        x, row = x + w + room, max(row, h)


if doubled:
    project["displays"] = project["displays"][:1]
    for display in project["displays"]:
        for key in ["width", "height"]:
            display[key] *= 2
        display["scale"] = 2 * display.get("scale", 1)
        safe = display.get("safe")
        if isinstance(safe, dict):
            display["safe"] = {edge: 2 * v for edge, v in safe.items()}
        elif safe:
            display["safe"] = 2 * safe
        for box in display.get("blocked", []):
            for key in "xywh":
                box[key] *= 2
else:
    machines = {m["id"]: m for m in project["machines"]}
    kinds, screens, high = [], [], 200
    for kind in project["kinds"]:
        states = machines[kind["machine"]]["states"]
        own = [still(kind, machines[kind["machine"]], s) for s in (states[:1] if kind.get("still") else states)]
        kinds += own
        items = [
            {"id": "i-" + k["id"], "type": "button", "x": x, "y": y, "kind": k["id"], "caption": kind.get("sample", "")}
            for k, x, y in spread(own)
        ]
        high = max(high, *(i["y"] + k["height"] + 56 for i, k in zip(items, own)))
        screens.append({"id": "s-" + kind["id"], "name": kind["name"], "backdrop": "#47525a", "items": items})
    project["kinds"] = kinds
    project["screens"] = screens
    project["first"] = screens[0]["id"]
    project["displays"] = [
        {"id": "once", "name": "Once", "width": 1600, "height": high},
        {"id": "twice", "name": "Twice", "width": 3200, "height": 2 * high, "scale": 2},
    ]
    project["languages"] = project.get("languages", [{"id": "en", "tag": "en", "name": "English"}])[:1]
    for key in ["groups", "lists", "accepted", "shortcuts", "deliveries", "bindings"]:
        project.pop(key, None)
json.dump(project, open(sys.argv[2], "w"))
