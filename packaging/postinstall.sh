#!/bin/sh
set -e
if ! getent passwd evrik >/dev/null; then
  adduser --system --group --home /var/lib/evrik --no-create-home --gecos "Evrik" --quiet evrik
fi
install -d -o evrik -g evrik -m 0750 /var/lib/evrik
chgrp evrik /etc/default/evrik
if [ -d /run/systemd/system ]; then
  systemctl daemon-reload
  systemctl enable evrik.service
  systemctl restart evrik.service
fi
