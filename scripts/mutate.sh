#!/bin/sh
# Changes the code here and there and counts the changes that no test notices, package by package.
#
#   scripts/mutate.sh REF            what has changed since a commit
#   scripts/mutate.sh all            the whole core, the store and the services
#   scripts/mutate.sh PACKAGE...     some packages, such as core/game
set -eu
cd "$(dirname "$0")/.."
# A changed line may ask for all the memory there is; its test fails instead of the machine.
ulimit -v 8388608 # kB
core=80 outside=70 # percent of the changes that tests have to notice
report=bin/mutate.txt root=$PWD
mkdir -p bin
: > "$report"

only= packages=
case "$1" in
all) packages=$(go list -f '{{if .TestGoFiles}}{{.ImportPath}}{{else if .XTestGoFiles}}{{.ImportPath}}{{end}}' ./core/... ./internal/store ./internal/app/...) ;;
*/*) for p in "$@"; do packages="$packages evrik/$p"; done ;;
*)
	only="--diff $1"
	packages=$(git diff --name-only "$1" -- '*.go' | grep -v '_test\.go$' | grep -E '^(core|internal/store|internal/app)/' | grep -v '/gen/' | xargs -rn1 dirname | sort -u | sed 's#^#evrik/#')
	;;
esac
[ -n "$packages" ] || { echo 'nothing has changed that is tested so'; exit 0; }

failed=0
for p in $packages; do
	dir=${p#evrik/}
	case $dir in core/*) least=$core ;; *) least=$outside ;; esac
	# From within the package, so that the names of files are those of git's diff, and never from the cache, by which the
	# time that tests may take is measured.
	# shellcheck disable=SC2086 # the flag and its value are two words
	(cd "$dir" && GIT_CONFIG_COUNT=1 GIT_CONFIG_KEY_0=diff.relative GIT_CONFIG_VALUE_0=true GOFLAGS="$(go env GOFLAGS) -count=1 -short -vet=off" \
		go tool -modfile="$root/tools/go.mod" gremlins unleash $only --tags mutate --workers 2 --timeout-coefficient 20 \
		--output-statuses l "$PWD") > bin/mutate.out 2>&1 || { cat bin/mutate.out; exit 1; }
	grep LIVED bin/mutate.out || true
	line=$(sed -n 's/^Killed: \([0-9]*\), Lived: \([0-9]*\), Not covered: \([0-9]*\).*/\1 \2 \3/p' bin/mutate.out)
	# shellcheck disable=SC2086
	set -- ${line:-0 0 0}
	if [ $(($1 + $2)) -eq 0 ]; then
		[ "$3" -eq 0 ] || { echo "$dir: no test reaches any of $3 changes" | tee -a "$report"; failed=1; }
		continue
	fi
	share=$((100 * $1 / ($1 + $2)))
	printf '%-28s %3d %% of %d noticed, %d not covered (at least %d %%)\n' "$dir" "$share" $(($1 + $2)) "$3" "$least" | tee -a "$report"
	[ "$share" -ge "$least" ] || failed=1
done
[ -s "$report" ] || echo 'in the lines that have changed nothing can be changed so'
exit $failed
