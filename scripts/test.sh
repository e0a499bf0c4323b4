#!/usr/bin/env bash
# Everything: types, lint, units, build, the real interface. Ends in one line for all of them.
set -uo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
PREFER_SHELL=1 source scripts/chromium.sh
set +e
mkdir -p .cache
rm -f .cache/jest.json .cache/e2e.json .cache/types.ok .cache/build.ok
failed=()

step() { # name, command...
  local name=$1
  shift
  echo "== $name"
  "$@" || failed+=("$name")
}

# Types and build beside lint: each of them keeps one core busy, and none needs another.
(npm run --silent types && touch .cache/types.ok) >.cache/types.log 2>&1 &
(npm run --silent build && touch .cache/build.ok) >.cache/build.log 2>&1 &
step lint npm run --silent lint
wait
for name in types build; do
  echo "== $name"
  cat ".cache/$name.log"
  [ -f ".cache/$name.ok" ] || failed+=("$name")
done
step units npx jest --silent --json --outputFile=.cache/jest.json
step interface npx playwright test
FAILED="${failed[*]:-}" node scripts/summary.js
