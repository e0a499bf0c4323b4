#!/usr/bin/env bash
# Debian's Chromium for the tests of the real interface, through apt-get where that may be done. Sourced; names it in
# CHROMIUM_PATH. With PREFER_SHELL=1 it is the same browser as Debian builds it without its own windows and extensions,
# where that can be had: it takes a third less of a core for the same pages. What is measured or killed is the whole one.
set -euo pipefail
may_install() { [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; }
install_package() {
  apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" >/dev/null
}
if [ -z "${CHROMIUM_PATH:-}" ]; then
  shell=/usr/bin/chromium-headless-shell
  whole=/usr/bin/chromium
  if [ "${PREFER_SHELL:-}" = 1 ]; then
    if [ ! -x "$shell" ] && may_install; then install_package chromium-headless-shell || true; fi
    if [ -x "$shell" ]; then export CHROMIUM_PATH=$shell; fi
  fi
  if [ -z "${CHROMIUM_PATH:-}" ]; then
    if [ ! -x "$whole" ] && may_install; then install_package chromium; fi
    export CHROMIUM_PATH=$whole
  fi
fi
if [ ! -x "$CHROMIUM_PATH" ]; then
  echo "Chromium is missing. Install it (apt-get install chromium), or set CHROMIUM_PATH." >&2
  exit 1
fi
