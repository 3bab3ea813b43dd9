#!/bin/sh
# Installs the npm packages when the lock file changed, then builds the static files into the folder given.
set -eu
cd "$(dirname "$0")"
out=$1
if [ ! -f node_modules/.installed ] || ! cmp -s package-lock.json node_modules/.installed; then
    npm ci --ignore-scripts --no-audit --no-fund --loglevel=error
    cp package-lock.json node_modules/.installed
fi
node build.mjs "$out"
