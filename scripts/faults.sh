#!/usr/bin/env bash
# Tries many times to break what must not break, and prints what was tried and what failed.
# npm run faults [-- logs|sessions|lines|kills ...] [--short] [--times N]
set -euo pipefail
source "$(dirname "${BASH_SOURCE[0]}")/install.sh"
source scripts/chromium.sh
npm run build --silent
npx tsx faults/faults.ts "$@"
