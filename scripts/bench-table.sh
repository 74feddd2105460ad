#!/bin/sh
# Writes what `go test -bench` printed into the table of docs/performance.md, a row for each
# benchmark, so that the document has the figures of one run and no others.
# usage: bench-table.sh output document
set -eu
table=$(mktemp)
trap 'rm -f "$table" "$table.doc"' EXIT
{
  printf '| benchmark | figures of one run |\n|---|---|\n'
  awk '/^Benchmark[^ \t]*[ \t]+[0-9]+[ \t]/ {
    name = $1; sub(/^Benchmark/, "", name); sub(/-[0-9]+$/, "", name)
    row = ""
    for (i = 3; i + 1 <= NF; i += 2) row = row (row == "" ? "" : ", ") $i " " $(i + 1)
    print "| " name " | " row " |"
  }' "$1"
} > "$table"
awk -v table="$table" '
  /^<!-- table: bench -->$/ { print; while ((getline line < table) > 0) print line; skip = 1; found = 1; next }
  /^<!-- end -->$/ { skip = 0 }
  !skip { print }
  END { if (!found) exit 1 }' "$2" > "$table.doc"
cat "$table.doc" > "$2"
