#!/bin/sh
# Installs the Debian packages that are missing: "python" for running, "test" for testing.
set -eu
missing=""
need() { command -v "$1" >/dev/null 2>&1 || missing="$missing $2"; }
case "${1:-}" in
  python)
    python=$(command -v python3.11 || command -v python3 || true)
    [ -n "$python" ] || missing="$missing python3"
    [ -n "$python" ] && "$python" -c 'import ensurepip' 2>/dev/null || missing="$missing python3-venv"
    ;;
  test)
    need chromium chromium
    need chromedriver chromium-driver
    need flite flite
    need sox sox
    need espeak-ng espeak-ng
    ;;
esac
[ -z "$missing" ] && exit 0
if [ "$(id -u)" -ne 0 ]; then
  echo "These Debian packages are missing:$missing. Ask someone with root to run: apt-get install$missing" >&2
  exit 1
fi
echo "Installing Debian packages:$missing"
export DEBIAN_FRONTEND=noninteractive
apt-get update -qq
# shellcheck disable=SC2086
apt-get install -y -qq --no-install-recommends $missing >/dev/null
