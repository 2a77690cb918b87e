#!/usr/bin/env bash
# The window plays the demos' takes by real input events; its trace must be the command line's.
set -euo pipefail
source=$1 bristle=$2 drive=$4 out=$3/demo
mkdir -p "$out"
rm -f "$out"/*
play() { # PROJECT TAKE
  "$bristle" rehearse "$1" --take "$2" >"$out/command.trace"
  "$bristle" rehearse "$1" --take "$2" >"$out/again.trace"
  cmp "$out/command.trace" "$out/again.trace"
  xvfb-run -a -s "-screen 0 1280x800x24" env QT_QPA_PLATFORM=xcb BRISTLE_SETTINGS="$out/settings.ini" \
    "$drive" "$1" --play "$2" --picture "$out/demo.png" --trace "$out/window.trace"
  cmp "$out/command.trace" "$out/window.trace"
  test -s "$out/demo.png"
  rm "$out/demo.png"
}
for take in "$source"/data/demo/*.take.jsonl; do play "$source/data/demo/saltglass-deep.bristle" "$take"; done
for take in "$source"/data/glasshouse/*.take.jsonl; do
  play "$source/data/glasshouse/fernhollow-glasshouse.bristle" "$take"
done
# A file that cannot be opened ends at once with a word why, even where nobody could answer a question.
echo "no project" >"$out/broken.bristle"
status=0
QT_QPA_PLATFORM=offscreen timeout 20 "$bristle" "$out/broken.bristle" 2>"$out/why" || status=$?
test "$status" = 2
grep -q "not valid JSON" "$out/why"
# Without a display: a sentence and 2, not an abort with a dump.
status=0
env -u DISPLAY -u WAYLAND_DISPLAY QT_QPA_PLATFORM=xcb timeout 20 "$bristle" 2>"$out/why" || status=$?
test "$status" = 2
test "$(wc -l <"$out/why")" = 1
grep -q "no display that can be used" "$out/why"
