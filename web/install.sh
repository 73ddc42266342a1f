#!/usr/bin/env bash
# npm ci, but only when the lock file or Node changed: it deletes node_modules each time.
set -euo pipefail
cd "$(dirname "$0")"
want=$( (cat package-lock.json; node -v) | sha256sum | cut -d' ' -f1)
[ "$(cat node_modules/.lock-hash 2>/dev/null)" != "$want" ] || exit 0
npm ci --no-audit --no-fund --ignore-scripts
echo "$want" > node_modules/.lock-hash
