#!/usr/bin/env bash
# The example host as somebody would build it: C99 against the installed library, found by
# pkg-config. It plays the demo's takes from sheet pictures with the traces that they have natively,
# and what it shows is what the window would show.
#   host_check.sh SOURCE BUILD BRISTLE
set -euo pipefail
source=$1 build=$2 bristle=$3
out=$build/tests/host
most=6 # percent of px that may look otherwise: the button that has focus, which pictures show at rest
rm -rf "$out"
mkdir -p "$out"

lines=$(cat "$source"/examples/host/*.[ch] | grep -cvE '^[[:space:]]*(/\*|\*|$)')
[ "$lines" -lt 500 ] || { echo "the example has $lines lines of code: it is to be read"; exit 1; }

cmake --install "$build" --component library --prefix "$out/installed" >/dev/null
pc=$(find "$out/installed" -name bristle.pc)
export PKG_CONFIG_PATH=${pc%/*}
LD_LIBRARY_PATH=$(pkg-config --variable=libdir bristle)
export LD_LIBRARY_PATH
read -ra flags <<<"$(pkg-config --cflags --libs bristle sdl2 libcjson stb)"
gcc -std=c99 -Wall -Wextra -pedantic -Werror -O1 -I"$source/tests/library" \
  "$source"/examples/host/*.c "$source/tests/library/take.c" -o "$out/host" "${flags[@]}"
gcc -std=c99 -O1 "$source/tests/library/differ.c" -o "$out/differ" "${flags[@]}" -lm

export SDL_VIDEODRIVER=dummy
# What SDL itself keeps is not ours to find.
export ASAN_OPTIONS=detect_leaks=0
demo=$source/data/demo/saltglass-deep.bristle
"$bristle" deliver "$demo" --menu "$out/menu.jsonl" --sheets "$out/sheets" --trim --placed >/dev/null
for take in "$source"/data/demo/*.take.jsonl; do
  "$bristle" rehearse "$demo" --take "$take" >"$out/native.trace"
  "$out/host" "$out/menu.jsonl" "$out/sheets" --take "$take" >"$out/host.trace"
  cmp "$out/native.trace" "$out/host.trace" || { echo "differs: $take"; exit 1; }
done

# Each screen at rest, as the painter of looks has it.
count=0
while read -r display screen; do
  printf '{"take":1,"name":"none","display":"%s","screen":"%s"}\n' "$display" "$screen" >"$out/none.take.jsonl"
  "$bristle" picture "$demo" --screen "$screen" --display "$display" -o "$out/$screen.png" >/dev/null
  "$out/host" "$out/menu.jsonl" "$out/sheets" --take "$out/none.take.jsonl" --shot "$out/$screen.bmp" >/dev/null
  other=$("$out/differ" "$out/$screen.png" "$out/$screen.bmp")
  printf '%s: %s %% of px look otherwise\n' "$screen" "$other"
  awk "BEGIN {exit !($other <= $most)}" || { echo "more than $most %"; exit 1; }
  count=$((count + 1))
done < <(python3 -c '
import json, sys
p = json.load(open(sys.argv[1]))
for s in p["screens"]:
    print(p["displays"][0]["id"], s["id"])' "$demo")
echo "$count screens"
