#!/usr/bin/env bash
# Makes sure that something Evrik needs is there. Go and Node are asked for;
# PostgreSQL, Chromium, a font and GLPK are installed with apt when missing.
set -euo pipefail

say() { printf 'evrik: %s\n' "$*" >&2; }

root() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo --preserve-env=DEBIAN_FRONTEND "$@"
  else say "$1 needs root, and there is no sudo. Run as root once: $*"; exit 1; fi
}

# Another install may be running; it is waited for, in seconds.
lock_wait=600
apt() { DEBIAN_FRONTEND=noninteractive root apt-get -o DPkg::Lock::Timeout=$lock_wait -qq "$@" >/dev/null; }

# The package lists have a lock of their own, for which apt-get does not wait.
update() {
  for _ in $(seq $lock_wait); do
    said=$(apt update 2>&1) && return
    case $said in *lock*) sleep 1 ;; *) printf '%s\n' "$said" >&2; return 1 ;; esac
  done
  printf '%s\n' "$said" >&2; return 1
}

install() {
  command -v apt-get >/dev/null || { say "Please install $* by your system's own means; there is no apt-get here."; exit 1; }
  say "installing $* (once)"
  update
  apt install -y --no-install-recommends "$@"
}

at_least() { [ "$(printf '%s\n%s\n' "$1" "$2" | sort -V | head -n1)" = "$1" ]; }

case "$1" in
  go)
    command -v go >/dev/null || { say "Go is missing. Install Go 1.26 or newer and start again."; exit 1; } ;;
  node)
    command -v node >/dev/null && command -v npm >/dev/null || { say "Node.js with npm is missing. Install Node 20 or newer and start again."; exit 1; }
    at_least 20.0.0 "$(node -p process.versions.node)" || { say "Node $(node -v) is too old. Install Node 20 or newer and start again."; exit 1; } ;;
  postgres)
    [ -n "${EVRIK_DATABASE_URL:-}" ] && exit 0
    compgen -G '/usr/lib/postgresql/*/bin/initdb' >/dev/null || command -v initdb >/dev/null && exit 0
    # Debian makes and starts a cluster of its own on installing; ours is private, so it need not.
    if command -v apt-get >/dev/null && [ ! -d /etc/postgresql-common ]; then
      root mkdir -p /etc/postgresql-common/createcluster.d
      echo 'create_main_cluster = false' | root tee /etc/postgresql-common/createcluster.d/evrik.conf >/dev/null
    fi
    install postgresql ;;
  chromium)
    # The headless build is enough for the tests, and lighter; a whole browser does as well.
    for name in chromium-headless-shell headless-shell chromium chromium-browser google-chrome; do
      command -v "$name" >/dev/null && exit 0
    done
    install chromium-headless-shell fonts-dejavu-core || install chromium fonts-dejavu-core ;;
  glpk)
    command -v glpsol >/dev/null || install glpk-utils ;;
  *)
    say "need.sh does not know $1"; exit 2 ;;
esac
