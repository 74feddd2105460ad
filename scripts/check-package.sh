#!/usr/bin/env bash
# Tries the Debian package on this machine: install, start, set up, sign in, stop, remove, purge. Where
# systemd does not run, the unit's command is started as its user with its environment.
set -euo pipefail
cd "$(dirname "$0")/.."
deb=$(ls -t bin/package/evrik_*.deb | head -n1)
addr=127.0.0.1:8491
base=http://$addr
say() { printf '== %s\n' "$*"; }
fail() { printf 'FAILED: %s\n' "$*" >&2; exit 1; }
[ "$(id -u)" = 0 ] || fail "run this as root: it installs a package"
! [ -e /usr/bin/evrik ] || fail "evrik is installed already; this would replace it"
jar=$(mktemp)
pid=
clean() { [ -n "$pid" ] && kill "$pid" 2>/dev/null && wait "$pid" 2>/dev/null; dpkg --purge evrik >/dev/null 2>&1 || true; rm -f "$jar"; }
trap clean EXIT

say "install $deb"
DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=600 install -y -qq "./$deb" >/dev/null
id evrik >/dev/null || fail "no user was made"
if command -v systemd-analyze >/dev/null; then
  systemd-analyze verify /lib/systemd/system/evrik.service 2>&1 | grep -i evrik && fail "the unit has faults" || say "the unit is sound"
fi

start() {
  if [ -d /run/systemd/system ]; then
    echo "EVRIK_ADDR=$addr" >> /etc/default/evrik
    systemctl restart evrik
  else
    env=$(sed -n 's/^Environment=//p' /lib/systemd/system/evrik.service)
    command=$(sed -n 's/^ExecStart=//p' /lib/systemd/system/evrik.service)
    setpriv --reuid=evrik --regid=evrik --clear-groups env -i PATH=/usr/bin:/bin $env EVRIK_ADDR=$addr $command &
    pid=$!
  fi
  for _ in $(seq 100); do curl -fs -o /dev/null "$base/healthz" && return; sleep 0.3; done
  fail "it does not start"
}
stop() {
  if [ -d /run/systemd/system ]; then systemctl stop evrik; else kill "$pid"; wait "$pid" || true; pid=; fi
}
post() { curl -fsS -b "$jar" -c "$jar" -H 'Content-Type: application/json' -d "$2" "$base$1"; }

say "start"
start
say "set up, sign out, sign in"
post /api/setup '{"program":"Club","team":"U14","ages":"12-14","name":"Ann","email":"ann@x.example","password":"a long sentence"}' | grep -q '"state":"in"' || fail "set-up"
curl -fsS -X DELETE -b "$jar" -c "$jar" "$base/api/session"
post /api/session '{"email":"ann@x.example","password":"a long sentence"}' | grep -q '"state":"in"' || fail "sign-in"
say "restart: what was set up is there"
stop
pgrep -u evrik -r D,R,S,T >/dev/null && fail "something still runs: $(pgrep -au evrik)"
start
post /api/session '{"email":"ann@x.example","password":"a long sentence"}' | grep -q '"state":"in"' || fail "sign-in after a restart"
/usr/bin/evrik version
say "stop"
stop
pgrep -u evrik -r D,R,S,T >/dev/null && fail "something still runs: $(pgrep -au evrik)"
say "remove keeps the data, purge does not"
dpkg --remove evrik >/dev/null
[ -d /var/lib/evrik/data ] || fail "removing has deleted the data"
dpkg --purge evrik >/dev/null
[ ! -e /var/lib/evrik ] || fail "purging has left data behind"
trap - EXIT
rm -f "$jar"
say "passed"
