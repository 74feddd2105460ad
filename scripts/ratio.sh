#!/usr/bin/env bash
# Prints the share of tests in all non-blank lines of code, generated files left out.
set -euo pipefail
cd "$(dirname "$0")/.."
code=$(git ls-files --cached --others --exclude-standard '*.go' '*.ts' '*.svelte' '*.js' '*.sql' '*.css' '*.sh' |
  grep -vE '\.gen\.|/gen/|schema\.d\.ts$')
count() { tr '\n' '\0' | xargs -0 cat | grep -cv '^[[:space:]]*$'; }
all=$(printf '%s\n' "$code" | count)
tests=$(printf '%s\n' "$code" | grep -E '(_test\.go$|^e2e/|^web/src/cases/)' | count)
echo "$tests of $all lines are tests: $((100 * tests / all)) % (wanted: 25 to 33)"
