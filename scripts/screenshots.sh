#!/usr/bin/env bash
# Takes docs/screenshots from a fresh demo of its own, which it stops again.
set -euo pipefail
cd "$(dirname "$0")/.."
home=$(mktemp -d)
address=127.0.0.1:8429
chmod 755 "$home"
EVRIK_HOME=$home EVRIK_ADDR=$address ./bin/evrik demo >"$home/log" 2>&1 &
server=$!
trap 'kill -INT $server 2>/dev/null; wait $server 2>/dev/null; rm -rf "$home"' EXIT
for _ in $(seq 300); do
  (exec 3<>"/dev/tcp/${address/:/\/}") 2>/dev/null && break
  kill -0 $server || { cat "$home/log"; exit 1; }
  sleep 0.1
done
go run ./e2e/shots -base "http://$address" -out docs/screenshots "$@"
