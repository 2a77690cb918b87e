#!/usr/bin/env bash
# The window plays the demo's take by real input events; its trace must be the command line's.
set -euo pipefail
source=$1 bristle=$2 out=$3/demo
mkdir -p "$out"
rm -f "$out"/*
demo=$source/data/demo
"$bristle" rehearse "$demo/saltglass-deep.bristle" --take "$demo/tour.take.jsonl" >"$out/command.trace"
"$bristle" rehearse "$demo/saltglass-deep.bristle" --take "$demo/tour.take.jsonl" >"$out/again.trace"
cmp "$out/command.trace" "$out/again.trace"
xvfb-run -a -s "-screen 0 1280x800x24" env QT_QPA_PLATFORM=xcb BRISTLE_SETTINGS="$out/settings.ini" \
  "$bristle" "$demo/saltglass-deep.bristle" --play "$demo/tour.take.jsonl" \
  --picture "$out/demo.png" --trace "$out/window.trace"
cmp "$out/command.trace" "$out/window.trace"
test -s "$out/demo.png"
