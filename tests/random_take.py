#!/usr/bin/env python3
"""A take of a few hundred random events on a display of a project: random_take.py PROJECT SEED."""
import json
import random
import sys

project = json.load(open(sys.argv[1]))
dice = random.Random(int(sys.argv[2]))
display = dice.choice(project["displays"])
screen = dice.choice(project["screens"])
scale = display.get("scale", 1)
width, height = display["width"] / scale, display["height"] / scale
print(json.dumps({"take": 1, "name": "random", "display": display["id"], "screen": screen["id"]}))
at = 0
held = []
for _ in range(400):
    at += dice.choice([0, 1, 16, 16, 40, 90, 200, 450])
    event = {"at": at}
    what = dice.choice(["move", "move", "move", "accept", "point", "point", "press", "lift", "touch", "cancel", "step"])
    if what in ("move", "accept", "cancel"):
        event |= {"do": what, "press": True, "by": dice.choice(["keyboard", "controller"])}
        if what == "move":
            event["dir"] = dice.choice(["up", "down", "left", "right"])
        if what == "cancel" and dice.random() < 0.7:
            continue
        held.append(event)
    elif what == "lift":
        if not held:
            continue
        event = held.pop(dice.randrange(len(held))) | {"at": at, "press": False}
    elif what == "step":
        event |= {"do": "step", "press": dice.random() < 0.5, "by": "keyboard"}
    else:
        kind = {"point": ["point"], "press": ["point.down", "point.up"], "touch": ["point", "point.down", "point.up"]}[what]
        event |= {"do": dice.choice(kind), "by": "touch" if what == "touch" else "mouse",
                  "x": round(dice.uniform(0, width), 3), "y": round(dice.uniform(0, height), 3)}
    print(json.dumps(event))
