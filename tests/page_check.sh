#!/usr/bin/env bash
# Delivered pages in a real browser: the takes by real input, how they look, and whether everybody
# can use them. Node's packages are fetched once, as the lock file says.
#   page_check.sh SOURCE BRISTLE OUT [--all]
set -euo pipefail
source=$1 bristle=$2 out=$3/page
mkdir -p "$out"
rm -rf "$out"/{demo,kiosk,states,twice,hostile}*
cp "$source"/tests/page/* "$source"/tests/page/.npmrc "$out"/
# Without a network that has them there is no browser to drive: told as skipped (77), not as passed.
fetch() { (cd "$out" && npm ci --no-audit --no-fund --silent); }
[ -d "$out/node_modules/playwright-core" ] || fetch || { sleep 10; fetch; } || {
  echo "skipped: npm's packages cannot be fetched"
  exit 77
}
# Every screen on each display, as the page shows it and as we paint it.
look() { # NAME PROJECT LIMIT
  local name=$1 project=$2 limit=$3
  [ -d "$out/$name" ] || "$bristle" deliver "$project" --page "$out/$name" >/dev/null
  mkdir -p "$out/$name-pictures"
  python3 - "$project" <<'TXT' | while read -r screen display language; do
import json, sys
p = json.load(open(sys.argv[1]))
for s in p["screens"]:
    for n, d in enumerate(p["displays"]):
        languages = p.get("languages", [{"id": ""}])
        print(s["id"], d["id"], languages[n % len(languages)]["id"])
TXT
    "$bristle" picture "$project" --screen "$screen" --display "$display" --language "$language" \
      -o "$out/$name-pictures/$screen.$display.$language.png" >/dev/null
  done
  (cd "$out" && node look_test.mjs "$out/$name/index.html" "$project" "$out/$name-pictures" "$limit" "$out/$name-worst")
}
one() { # NAME PROJECT LIMIT
  local name=$1 project=$2 limit=$3 pairs=() take
  "$bristle" deliver "$project" --page "$out/$name"
  local size
  size=$(gzip -9 -c "$out/$name/index.html" | wc -c)
  echo "$name: $size bytes compressed, with its own pictures and sounds"
  for take in "${project%/*}"/*.take.jsonl; do
    "$bristle" rehearse "$project" --take "$take" >"$out/$name-$(basename "$take").trace" || [ $? = 1 ]
    pairs+=("$take" "$out/$name-$(basename "$take").trace")
  done
  (cd "$out" && node page_test.mjs "$out/$name/index.html" "$project" "${pairs[@]}")
  (cd "$out" && node access_test.mjs "$out/$name/index.html" "$project")
  look "$name" "$project" "$limit"
}
one demo "$source/data/demo/saltglass-deep.bristle" 0.02
one kiosk "$source/data/glasshouse/fernhollow-glasshouse.bristle" 0.02

# All states of the kinds that come with the program, at 1x and 2x.
python3 "$out/states.py" "$source/data/kinds/ready-made.bristle" "$out/states.bristle"
# They stand on much ground, which is the same: so the limit is lower.
look states "$out/states.bristle" 0.006
# The demos' screens at 2x.
for demo in demo/saltglass-deep glasshouse/fernhollow-glasshouse; do
  twice=$out/twice-${demo##*/}
  rm -rf "$twice" "$twice-page" "$twice-page-pictures"
  cp -r "$source/data/${demo%/*}" "$twice"
  python3 "$out/states.py" "$source/data/$demo.bristle" "$twice/menu.bristle" --doubled
  look "twice-${demo##*/}-page" "$twice/menu.bristle" 0.02
done

# Captions that mean harm, and browsers that lack something.
rm -rf "$out/hostile"
cp -r "$source/data/demo" "$out/hostile"
python3 "$out/hostile.py" "$source/data/demo/saltglass-deep.bristle" "$out/hostile/menu.bristle"
"$bristle" deliver "$out/hostile/menu.bristle" --page "$out/hostile/page" >/dev/null
(cd "$out" && node hostile_test.mjs "$out/hostile/page/index.html")
