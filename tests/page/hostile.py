"""A copy of a project in which every caption is hostile: markup, quotes, marks of direction.

  hostile.py PROJECT OUT
"""
import json
import sys

CAPTIONS = [
    "<script>globalThis.harm = 1</script>",
    "<img src=x onerror='globalThis.harm = 1'>",
    "\"><b>bold</b> ' \" ` ${harm}",
    "\u202eright to left\u202c &lt;&amp;",
    "</script><script>globalThis.harm = 1</script>",
    "]]> --> */ \\u003c \\",
]
project = json.load(open(sys.argv[1]))
count = 0


def walk(items):
    global count
    for item in items:
        if "caption" in item:
            item["caption"] = CAPTIONS[count % len(CAPTIONS)]
            item.pop("accessibleName", None)
            item["description"] = CAPTIONS[(count + 1) % len(CAPTIONS)]
            count += 1
        walk(item.get("items", []))


for screen in project["screens"]:
    walk(screen.get("items", []))
    screen["name"] = CAPTIONS[count % len(CAPTIONS)]
project["name"] = CAPTIONS[4]
json.dump(project, open(sys.argv[2], "w"))
