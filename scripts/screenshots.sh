#!/usr/bin/env bash
# One current picture of each main view, from the example logbook, in docs/screenshots.
set -euo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
source scripts/chromium.sh
npm run build --silent
PINCER_DEMO=1 PORT=4188 node --import tsx server/main.ts &
server=$!
trap 'kill $server' EXIT
for _ in $(seq 50); do curl -sf http://localhost:4188/api/config >/dev/null && break; sleep 0.2; done
ADDRESS=http://localhost:4188 npx tsx scripts/screenshots.ts "$@"
