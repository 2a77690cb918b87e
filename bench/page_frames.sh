#!/usr/bin/env bash
# A hundred buttons on their way in a delivered page: frames a second in headless Chromium.
set -euo pipefail
cd "$(dirname "$0")/.."
out=build/bench-page
mkdir -p "$out"
cp tests/page/package.json tests/page/package-lock.json tests/page/.npmrc bench/page_frames.mjs "$out"/
[ -d "$out/node_modules/playwright-core" ] || (cd "$out" && npm ci --no-audit --no-fund --silent) || {
  echo "page frames: not measured, npm's packages cannot be fetched"
  exit 0
}
python3 bench/page_frames.py data/kinds/ready-made.bristle "$out/hundred.bristle"
BRISTLE_PAGE_RUNTIME=$PWD/build/wasm/page.wasm "${BRISTLE:-build/release/bristle}" deliver "$out/hundred.bristle" --page "$out/page" >/dev/null
(cd "$out" && node page_frames.mjs "$PWD/page/index.html")
