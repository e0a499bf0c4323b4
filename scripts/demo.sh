#!/usr/bin/env bash
# Installs, builds and starts the application with the example logbook on one port (PORT, 4173).
set -euo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
npm run build --silent
PINCER_DEMO=1 exec node --import tsx server/main.ts
