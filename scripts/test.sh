#!/usr/bin/env bash
# Everything: types, lint, units, build, the real interface. Ends in one line for all of them.
set -uo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
source scripts/chromium.sh
set +e
mkdir -p .cache
rm -f .cache/jest.json .cache/e2e.json
failed=()

step() { # name, command...
  local name=$1
  shift
  echo "== $name"
  "$@" || failed+=("$name")
}

step types npm run --silent types
step lint npm run --silent lint
step units npx jest --silent --json --outputFile=.cache/jest.json
step build npm run --silent build
step interface npx playwright test
FAILED="${failed[*]:-}" node scripts/summary.js
