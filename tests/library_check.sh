#!/usr/bin/env bash
# The library as others get it: installed, found by pkg-config, compiled against from C99, and held
# to the takes: the same trace as natively, on every display and in every language.
#   library_check.sh SOURCE BUILD BRISTLE
set -euo pipefail
source=$1 build=$2 bristle=$3
out=$build/tests/library
rm -rf "$out"
mkdir -p "$out"
cmake --install "$build" --component library --prefix "$out/installed" >/dev/null
pc=$(find "$out/installed" -name bristle.pc)
export PKG_CONFIG_PATH=${pc%/*}
lib=$(pkg-config --variable=libdir bristle)
export LD_LIBRARY_PATH=$lib

# What it shows is what the header says: nothing more, and nothing less.
nm -D --defined-only "$lib/libbristle.so" | awk '$2 != "A" {sub(/@.*/, "", $3); print $3}' | sort >"$out/shown"
grep -o '\bbristle_[a-z_]*(' "$source/src/library/bristle.h" | tr -d '(' | sort -u >"$out/said"
diff "$out/said" "$out/shown" || { echo "the library shows something else than its header"; exit 1; }
diff "$source/tests/library/abi-1.txt" "$out/shown" || {
  echo "the interface has changed: what was there stays, and what is new goes into tests/library/abi-1.txt"
  exit 1
}
needs=$(readelf -d "$lib/libbristle.so" | grep -o 'NEEDED.*\[.*\]' | grep -v 'libstdc++\|libm\.\|libgcc_s\|libc\.\|ld-linux\|libasan\|libubsan' || true)
[ -z "$needs" ] || { echo "it needs $needs"; exit 1; }

read -ra flags <<<"$(pkg-config --cflags --libs bristle)"
gcc -std=c99 -Wall -Wextra -pedantic -Werror -O1 "$source/tests/library/play_take.c" "$source/tests/library/take.c" -o "$out/play_take" "${flags[@]}"

count=0
for project in "$source/data/demo/saltglass-deep.bristle" "$source/data/glasshouse/fernhollow-glasshouse.bristle"; do
  "$bristle" deliver "$project" --menu "$out/menu.jsonl" >/dev/null
  # Each take on each display in each language, by its first line.
  rm -f "$out"/*.take.jsonl
  python3 - "$project" "$out" <<'TXT'
import glob, json, os, sys
project, out = sys.argv[1:]
p = json.load(open(project))
for take in sorted(glob.glob(os.path.dirname(project) + "/*.take.jsonl")):
    lines = open(take).read().split("\n")
    for display in p["displays"]:
        for language in p.get("languages", [{"id": ""}]):
            head = json.loads(lines[0]) | {"display": display["id"], "language": language["id"]}
            name = f"{os.path.basename(take)[:-11]}.{display['id']}.{language['id']}.take.jsonl"
            with open(f"{out}/{name}", "w") as file:
                file.write("\n".join([json.dumps(head, separators=(",", ":"), ensure_ascii=False)] + lines[1:]))
TXT
  for take in "$out"/*.take.jsonl; do
    native=0 c=0
    "$bristle" rehearse "$project" --take "$take" >"$out/native.trace" 2>/dev/null || native=$?
    "$out/play_take" "$out/menu.jsonl" "$take" >"$out/c.trace" 2>/dev/null || c=$?
    test -s "$out/c.trace"
    # 2: what it points at is not there on that display, natively and here.
    if [ "$native" = 2 ]; then
      [ "$c" = 1 ] || { echo "can be done here alone: $take"; exit 1; }
      head -c "$(stat -c %s "$out/native.trace")" "$out/c.trace" >"$out/c.part"
      mv "$out/c.part" "$out/c.trace"
    fi
    cmp "$out/native.trace" "$out/c.trace" || { echo "differs: $take"; exit 1; }
    count=$((count + 1))
  done
done
echo "$count plays of takes"
