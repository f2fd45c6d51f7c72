#!/usr/bin/env bash
# Says plainly what is missing or too old, before anything is built.
set -u
bad=0
need() { # name, least version, version found
  if [ -z "$3" ]; then echo "zesty-thicket: $1 is not installed; version $2 or newer is needed." >&2; bad=1; return; fi
  if [ "$(printf '%s\n%s\n' "$2" "$3" | sort -V | head -n 1)" != "$2" ]; then echo "zesty-thicket: $1 $3 is too old; version $2 or newer is needed." >&2; bad=1; fi
}
need Go 1.26.0 "$(${GO:-go} version 2>/dev/null | sed -E 's/.*go([0-9]+(\.[0-9]+)*).*/\1/')"
need Node.js 20.19.0 "$(node --version 2>/dev/null | sed 's/^v//')"
need npm 11.0.0 "$(npm --version 2>/dev/null | tail -n 1)"
exit $bad
