#!/usr/bin/env bash
# The same takes give the same traces natively and in WebAssembly, where there are neither fonts nor
# pictures: every take that is kept here, and random ones.
#   wasm_takes.sh SOURCE BRISTLE OUT WASM
set -euo pipefail
source=$1 bristle=$2 out=$3/wasm wasm=$4
mkdir -p "$out"
rm -rf "${out:?}"/*
there() { node --no-warnings --experimental-wasi-unstable-preview1 "$source/tests/wasi_run.mjs" "$wasm" "$@"; }
count=0
same() { # PROJECT TAKE
  "$bristle" rehearse "$1" --take "$2" >"$out/native.trace" || [ $? = 1 ]
  there "$1" "$out/measured.json" "$2" >"$out/wasm.trace" || [ $? = 1 ]
  test -s "$out/native.trace"
  cmp "$out/native.trace" "$out/wasm.trace" || { echo "differs: $2"; exit 1; }
  count=$((count + 1))
}
random() { # PROJECT SEED …
  local project=$1 seed
  for seed in "${@:2}"; do
    python3 "$source/tests/random_take.py" "$project" "$seed" >"$out/random-$seed.take.jsonl"
    same "$project" "$out/random-$seed.take.jsonl"
  done
}
demo=$source/data/demo/saltglass-deep.bristle
"$bristle" deliver "$demo" --measures "$out/measured.json" >/dev/null
for take in "$source"/data/demo/*.take.jsonl; do same "$demo" "$take"; done
random "$demo" 1 2 3 4 5 6 7 8
kiosk=$source/data/glasshouse/fernhollow-glasshouse.bristle
"$bristle" deliver "$kiosk" --measures "$out/measured.json" >/dev/null
for take in "$source"/data/glasshouse/*.take.jsonl; do same "$kiosk" "$take"; done
random "$kiosk" 1 2 3 4
# The first menu with hit areas that are drawn.
python3 - "$demo" "$out/shapes.bristle" <<'TXT'
import json, sys
project = json.load(open(sys.argv[1]))
for kind in project["kinds"]:
    kind["hitForm"] = "shape"
json.dump(project, open(sys.argv[2], "w"))
TXT
"$bristle" deliver "$out/shapes.bristle" --measures "$out/measured.json" >"$out/told"
grep -q "[1-9][0-9]* hit areas" "$out/told"
random "$out/shapes.bristle" 11 12 13 14 15 16
size=$(gzip -9 -c "$wasm" | wc -c)
echo "$count takes; $size bytes compressed"
test "$size" -lt 320000
