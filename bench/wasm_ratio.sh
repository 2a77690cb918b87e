#!/usr/bin/env bash
# The same long take natively and in WebAssembly under Node: how many times as long the latter
# takes, without what starting and reading the project takes.
set -euo pipefail
cd "$(dirname "$0")/.."
out=$PWD/build/bench-wasm
mkdir -p "$out"
demo=$PWD/data/demo/saltglass-deep.bristle
bristle=${BRISTLE:-build/release/bristle}
export QT_QPA_PLATFORM=offscreen
"$bristle" deliver "$demo" --measures "$out/measured.json" >/dev/null
# All of the buttons of the hull bay, walked along, with time going on step by step.
python3 - "$out" <<'TXT'
import json, random, sys
random.seed(5)
for name, steps in (("short", 10), ("long", 60000)):
    with open(f"{sys.argv[1]}/{name}.take.jsonl", "w") as file:
        print(json.dumps({"take": 1, "name": name, "display": "tv", "screen": "hull"}), file=file)
        at = 0
        for _ in range(steps):
            move = random.choice(["up", "down", "left", "right"])
            for press in (True, False):
                print(json.dumps({"at": at, "do": "move", "dir": move, "press": press}), file=file)
                at += 16
TXT
native() { "$bristle" rehearse "$demo" --take "$out/$1.take.jsonl"; }
there() { node --no-warnings --experimental-wasi-unstable-preview1 tests/wasi_run.mjs build/wasm/run_take.wasm "$demo" "$out/measured.json" "$out/$1.take.jsonl"; }
ms() {
  local start end
  start=$(date +%s%N)
  "$@" >/dev/null
  end=$(date +%s%N)
  echo $(((end - start) / 1000000))
}
ours=$(($(ms there long) - $(ms there short)))
plain=$(($(ms native long) - $(ms native short)))
echo "120,000 steps: $ours ms in WebAssembly, $plain ms natively, ratio $((ours * 100 / plain))%"
