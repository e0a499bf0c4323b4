#!/usr/bin/env bash
# Debian's Chromium for the tests of the real interface, through apt-get where that may be done. Sourced.
set -euo pipefail
if [ ! -x "${CHROMIUM_PATH:-/usr/bin/chromium}" ]; then
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium >/dev/null
  else
    echo "Chromium is missing. Install it (apt-get install chromium), or set CHROMIUM_PATH." >&2
    exit 1
  fi
fi
