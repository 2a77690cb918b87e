#!/usr/bin/env bash
# Findings as SARIF, held to the standard's schema by types that were made from it: a compiler says
# what is missing, misspelt or of another sort. And it must refuse what is broken.
#   sarif_check.sh SOURCE BRISTLE DRIVE OUT
set -euo pipefail
source=$1 bristle=$2 drive=$3 out=$4/sarif
rm -rf "$out/demo"
mkdir -p "$out"
cp "$source"/tests/sarif/*.json "$source"/tests/sarif/.npmrc "$out"/
fetch() { (cd "$out" && npm ci --no-audit --no-fund --silent); }
[ -d "$out/node_modules/typescript" ] || fetch || { sleep 10; fetch; } || {
  echo "skipped: npm's packages cannot be fetched"
  exit 77
}
compile() { (cd "$out" && node_modules/.bin/tsc --noEmit --strict --moduleResolution bundler --module esnext --target es2022 "$1"); }

cp -r "$source/data/demo" "$out/demo"
"$drive" "$source/data/demo/saltglass-deep.bristle" --plant "$out/demo/planted.bristle" >/dev/null
"$bristle" findings "$out/demo/planted.bristle" --sarif "$out/planted.sarif" >/dev/null 2>&1 || [ $? = 1 ]
{
  echo 'import type {StaticAnalysisResultsFormatSARIFVersion210JSONSchema as Log} from "@schemastore/sarif-2.1.0";'
  printf 'export const log: Log = '
  cat "$out/planted.sarif"
} >"$out/planted.ts"
compile planted.ts
echo "$(grep -c '"ruleId"' "$out/planted.ts") results"

for broken in 's/"level": "error"/"level": "fatal"/' 's/"ruleId"/"rule"/' 's/"version": "2.1.0"/"version": "2"/' \
  's/"startLine": [0-9]*/"startLine": "first"/' 's/"driver"/"program"/'; do
  sed "$broken" "$out/planted.ts" >"$out/broken.ts"
  ! compile broken.ts >/dev/null || { echo "taken although broken: $broken"; exit 1; }
done
