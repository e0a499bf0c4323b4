#!/usr/bin/env bash
# The pages with hot reload on 5173, and the server behind them on 4173.
set -euo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
PINCER_DEMO=1 node --import tsx --watch server/main.ts &
server=$!
trap 'kill $server' EXIT
npm run dev -w web
