#!/usr/bin/env python3
"""Whether folders or headers include one another in a circle, and how deep includes go:
includes.py SOURCE [MOST_DEPTH]. Exit code 1 where there is a circle, or they go deeper."""
import pathlib
import re
import sys

root = pathlib.Path(sys.argv[1]) / "src"
most = int(sys.argv[2]) if len(sys.argv) > 2 else None
files = {str(p.relative_to(root)): p for p in root.rglob("*") if p.suffix in (".h", ".cpp")}
includes = {
    name: [i for i in re.findall(r'^#include "([^"]+)"', path.read_text(), re.M) if i in files]
    for name, path in files.items()
}


def circles(graph):
    """Strongly connected components of more than one node (Tarjan)."""
    index, low, stack, on, out = {}, {}, [], set(), []

    def visit(v):
        index[v] = low[v] = len(index)
        stack.append(v)
        on.add(v)
        for w in graph.get(v, ()):
            if w not in index:
                visit(w)
                low[v] = min(low[v], low[w])
            elif w in on:
                low[v] = min(low[v], index[w])
        if low[v] == index[v]:
            part = []
            while not part or part[-1] != v:
                part.append(stack.pop())
                on.discard(part[-1])
            if len(part) > 1:
                out.append(sorted(part))

    for v in graph:
        if v not in index:
            visit(v)
    return out


folders = {}
for name, them in includes.items():
    here = name.rpartition("/")[0]
    folders.setdefault(here, set()).update(t.rpartition("/")[0] for t in them)
    folders[here].discard(here)
depth = {}


def deep(name):
    if name not in depth:
        depth[name] = 0
        depth[name] = max((1 + deep(i) for i in includes[name]), default=0)
    return depth[name]


sys.setrecursionlimit(10000)
bad = circles(folders), circles({n: i for n, i in includes.items() if n.endswith(".h")})
deepest = max(files, key=deep)
for kind, found in zip(("folders", "headers"), bad):
    print(f"circles of {kind}: {len(found)}")
    for part in found:
        print("  " + " ".join(part))
chain = [deepest]
while includes[chain[-1]]:
    chain.append(max(includes[chain[-1]], key=deep))
print(f"includes go {deep(deepest)} deep: {' > '.join(chain)}")
sys.exit(1 if any(bad) or (most is not None and deep(deepest) > most) else 0)
