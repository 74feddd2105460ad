#!/bin/sh
set -e
if [ "$1" = purge ]; then
  # What is left of children's data goes with the package; a backup is somebody's own.
  rm -rf /var/lib/evrik
  if getent passwd evrik >/dev/null; then deluser --system --quiet evrik || true; fi
fi
if [ -d /run/systemd/system ]; then systemctl daemon-reload; fi
