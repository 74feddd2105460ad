#!/bin/sh
set -e
# On an upgrade the new version restarts it.
if [ "$1" = remove ] && [ -d /run/systemd/system ]; then
  systemctl disable --now evrik.service
fi
