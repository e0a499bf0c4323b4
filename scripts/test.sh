#!/usr/bin/env bash
# Everything: types, lint, units, build, the real interface. Ends in one line for all of them.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
# Two runs in one checkout would build over each other: the second waits for the first, half an hour at most. What a run that
# was killed has left running does not hold the lock.
mkdir -p .cache
if [ -z "${PINCER_ALONE:-}" ] && command -v flock >/dev/null; then
  flock --nonblock .cache/test.lock true || echo "Another run of the tests is at work here; this one waits for it."
  PINCER_ALONE=1 flock --close --timeout 1800 --conflict-exit-code 75 .cache/test.lock bash scripts/test.sh
  ended=$?
  [ "$ended" != 75 ] || printf 'The other run has not ended in half an hour.\n0 passed, 1 failed, 0 skipped\n'
  exit "$ended"
fi
# The browser and the packages come side by side; what is wrong with it is said by the second call.
(PREFER_SHELL=1 source scripts/chromium.sh) >/dev/null 2>&1 &
browser=$!
source scripts/install.sh
wait "$browser" || true
PREFER_SHELL=1 source scripts/chromium.sh
set +e
rm -f .cache/jest.json .cache/e2e.json .cache/*.ok
# Each run of the interface writes to a folder of its own.
[ ! -d test-results ] || find test-results -mindepth 1 -maxdepth 1 -mtime +0 -exec rm -rf {} +
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

begin types npm run --silent types
types=$!
step lint npm run --silent lint
wait "$types"
told types
begin build npm run --silent build
build=$!
step units npx jest --silent --json --outputFile=.cache/jest.json
wait "$build"
told build
step interface npx playwright test
FAILED="${failed[*]:-}" node scripts/summary.js
