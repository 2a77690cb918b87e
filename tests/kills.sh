#!/usr/bin/env bash
# Kills the real window at random moments of editing and saving, again and again: the file must always be
# whole, and at most two seconds of work gone. The work is nudges of a button to the right, one px each, so
# that the place tells how many are kept.
#   tests/kills.sh SOURCE BRISTLE HOW_OFTEN
set -euo pipefail
source=$1 bristle=$2 often=$3
work=$(mktemp -d)
export XDG_RUNTIME_DIR=${XDG_RUNTIME_DIR:-$work} XDG_STATE_HOME=$work/state BRISTLE_SETTINGS=$work/settings.ini
printf '[General]\nbench=place\n' >"$work/settings.ini"
number=90
while [ -e "/tmp/.X11-unix/X$number" ]; do number=$((number + 1)); done
Xvfb ":$number" -screen 0 1280x800x24 >/dev/null 2>&1 &
server=$!
trap 'kill $server 2>/dev/null; rm -rf "$work"' EXIT
export DISPLAY=:$number
for _ in $(seq 50); do [ -e "/tmp/.X11-unix/X$number" ] && break; sleep 0.1; done
now() { date +%s%N; }
place() { python3 -c '
import json, sys
text = open(sys.argv[1]).read()
if sys.argv[1].endswith(".unsaved"): text = text.split("\n", 1)[1]
x = json.loads(text)["screens"][0]["items"][0]["x"]
print(int(x if isinstance(x, (int, float)) else x["offset"]))' "$1"; }
worst=0
for n in $(seq "$often"); do
  rm -rf "$work/p" "$work/state"
  mkdir "$work/p"
  file=$work/p/a.bristle
  "$bristle" new "$file" --buttons One >/dev/null
  python3 - "$file" <<'PY'
import json, sys
p = json.load(open(sys.argv[1]))
items = p["screens"][0]["items"]
button = next(i for box in items for i in box.get("items", [box]) if i["type"] == "button")
button["x"] = button["y"] = 100
p["screens"][0]["items"] = [button]
json.dump(p, open(sys.argv[1], "w"))
PY
  "$bristle" "$file" >/dev/null 2>&1 &
  pid=$!
  window=$(timeout 20 xdotool search --sync --pid "$pid" --name Bristle 2>/dev/null | tail -1) || true
  [ -n "$window" ] || { echo "the window did not come"; exit 1; }
  # The button is picked by a click; a first nudge, saved, shows that the window listens.
  for _ in $(seq 40); do
    xdotool mousemove 328 234 click 1 key Right key ctrl+s
    sleep 0.15
    [ "$(place "$file")" -gt 100 ] && break
  done
  first=$(place "$file")
  moment=$((300 + RANDOM % 3200))
  start=$(now) sent=0
  : >"$work/log"
  while [ $((($(now) - start) / 1000000)) -lt $moment ]; do
    xdotool key Right
    sent=$((sent + 1))
    echo "$(now) $sent" >>"$work/log"
    [ $((RANDOM % 12)) = 0 ] && xdotool key ctrl+s
    sleep 0.03
  done
  kill -9 "$pid"
  dead=$(now)
  wait "$pid" 2>/dev/null || true
  "$bristle" check "$file" >/dev/null 2>&1 || [ $? = 1 ] || { echo "kill $n: the file is broken"; exit 1; }
  best=$(place "$file")
  for copy in "$work"/state/bristle/unsaved/*.unsaved; do
    [ -e "$copy" ] || continue
    found=$(place "$copy") || { echo "kill $n: the copy is broken"; exit 1; }
    [ "$found" -gt "$best" ] && best=$found
  done
  kept=$((best - first))
  # The first nudge that is not kept: how long before the end was it made?
  lost=$(awk -v k="$kept" -v d="$dead" '$2 > k { print int((d - $1) / 1000000); exit }' "$work/log")
  lost=${lost:-0}
  [ "$lost" -gt "$worst" ] && worst=$lost
  if [ "$lost" -gt 2000 ]; then
    echo "kill $n: $kept of $sent nudges kept, $lost ms of work lost"
    exit 1
  fi
done
echo "$often kills: every file whole, at most $worst ms of work lost"
