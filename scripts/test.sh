#!/usr/bin/env bash
# Everything: types, lint, units, build, the real interface. Ends in one line for all of them.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
# The browser and the packages come side by side; what is wrong with it is said by the second call.
(PREFER_SHELL=1 source scripts/chromium.sh) >/dev/null 2>&1 &
browser=$!
source scripts/install.sh
wait "$browser" || true
PREFER_SHELL=1 source scripts/chromium.sh
set +e
mkdir -p .cache
rm -f .cache/jest.json .cache/e2e.json .cache/*.ok
failed=()

step() { # name, command...
  local name=$1
  shift
  echo "== $name"
  "$@" || failed+=("$name")
}

begin() { # name, command...: beside the others, its words kept until they are told
  local name=$1
  shift
  ("$@" && touch ".cache/$name.ok") >".cache/$name.log" 2>&1 &
}

told() { # name: what it said, once it has ended
  echo "== $1"
  cat ".cache/$1.log"
  [ -f ".cache/$1.ok" ] || failed+=("$1")
}

step types npm run --silent types
step lint npm run --silent lint
begin build npm run --silent build
build=$!
step units npx jest --silent --json --outputFile=.cache/jest.json
wait "$build"
told build
step interface npx playwright test
FAILED="${failed[*]:-}" node scripts/summary.js
