#!/usr/bin/env bash
# The interface tests run in Debian's Chromium; it is installed if missing.
set -eu
[ -x /usr/bin/chromium ] && exit 0
command -v apt-get >/dev/null || { echo "zesty-thicket: /usr/bin/chromium is missing, and there is no apt-get to install it with." >&2; exit 1; }
sudo=""
[ "$(id -u)" = 0 ] || sudo=sudo
echo "Installing Chromium from Debian for the interface tests."
$sudo apt-get update -qq
DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends chromium >/dev/null
