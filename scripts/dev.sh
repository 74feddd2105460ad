#!/usr/bin/env bash
# Runs the demo server and Vite in front of it; Ctrl-C stops both.
set -euo pipefail
cd "$(dirname "$0")/.."
mkdir -p web/build
[ -f web/build/index.html ] || echo '<!doctype html><title>Evrik</title>' >web/build/index.html
go run ./cmd/evrik demo &
server=$!
trap 'kill -INT $server 2>/dev/null; wait $server 2>/dev/null' EXIT
cd web && npm run dev
