# Evrik. `make demo` runs it, `make test` tests it; the rest is for those who
# change it. Nothing here needs more than Go, Node and (for a first run) apt.

SHELL := /bin/bash
.DEFAULT_GOAL := help

WEB := web/build/index.html
CASES := web/.cases/cases.js
WEB_SOURCES := $(shell find web/src web/static -type f 2>/dev/null) web/package.json web/package-lock.json web/svelte.config.js web/vite.config.ts
GO_SOURCES := $(shell find core internal cmd api -name '*.go' -o -name '*.sql' 2>/dev/null) web/web.go go.mod go.sum
TOOL := go tool -modfile=tools/go.mod

.PHONY: help demo demo-reset test prove check format mutate mutate-all bench soak package check-package screenshots ratio dev generate build need-go need-node need-postgres need-chromium need-glpk

help: ## what can be made
	@grep -hE '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sed 's/:.*## /\t/' | expand -t 16

demo: build need-postgres ## install what is missing, build, start with the demo club
	@exec ./bin/evrik demo

demo-reset: build need-postgres ## the same with the demo club seeded afresh
	@exec ./bin/evrik demo -reset

# A busy machine may take several times as long as an idle one; a test that hangs ends all the same.
TEST_TIME := 40m
TEST_LOG := bin/test.json
TESTSUM := $(TOOL) gotestsum
# The garbage collector runs less often: in the tests of core/practice it took a sixth of the processor time.
SELDOM := 400
# All packages whose tests need a database share one server.
TOGETHER := go run ./internal/pgtest/together

# make check vets the code. Vetting here too would cost half a minute of processor time when nothing is cached.
test: need-go need-postgres need-chromium need-glpk $(WEB) $(CASES) ## core, store, server and browser; the longest simulations in samples or in prove
	@mkdir -p bin
	GOGC=$(SELDOM) $(TOGETHER) $(TESTSUM) --jsonfile $(TEST_LOG) -- -short -vet=off -timeout $(TEST_TIME) ./...
	@echo "The ten slowest:"; $(TESTSUM) tool slowest --num 10 --threshold 1s --jsonfile $(TEST_LOG)

prove: need-go need-postgres need-chromium need-glpk $(WEB) $(CASES) ## every test with its full count, the tables of the docs, then the soak
	EVRIK_WRITE_TABLES=1 $(TOGETHER) $(TESTSUM) -- -tags prove -vet=off -timeout 90m ./...
	$(MAKE) soak

# SINCE is the commit from which changes count.
SINCE ?= HEAD~1

mutate: need-go need-postgres ## change here and there what has changed since SINCE, and count the changes no test notices
	./scripts/mutate.sh $(SINCE)

mutate-all: need-go need-postgres ## the same in the whole core, the store and the services (hours)
	./scripts/mutate.sh all

GO_FILES := core internal cmd e2e scripts docs web/*.go

format: need-go need-node web/node_modules/.stamp ## put every file into the form that check asks for
	gofmt -w $(GO_FILES)
	cd web && npm run --silent format

check: need-go need-node web/node_modules/.stamp ## format, vet, lint, types, drift of generated code
	@test -z "$$(gofmt -l $(GO_FILES))" || { gofmt -l $(GO_FILES); echo "make format puts these in order"; exit 1; }
	cd web && npm run --silent check && npm run --silent lint
	$(MAKE) $(WEB)
	go vet ./...
	go vet -tags prove ./core/game ./e2e
	$(MAKE) generate
	@git rev-parse --git-dir >/dev/null 2>&1 || { echo 'not a checkout: drift of generated code is not compared'; exit 0; }; git diff --exit-code -- internal/web/api internal/store/gen web/src/lib/api/schema.d.ts || { echo "generated code was out of date; commit what make generate wrote"; exit 1; }

generate: need-go need-node web/node_modules/.stamp ## server interface, TypeScript types and queries from their sources
	cd api && go tool -modfile=../tools/go.mod oapi-codegen -config oapi.yaml openapi.yaml
	cd internal/store && go tool -modfile=../../tools/go.mod sqlc generate
	cd web && npm run --silent types

bench: need-go need-postgres need-chromium need-glpk $(WEB) ## the figures of docs/performance.md
	@mkdir -p bin
	go test -run '^$$' -bench . -benchmem ./core/... ./internal/web/ > bin/bench.txt || { cat bin/bench.txt; exit 1; }
	go test -run '^$$' -bench . -benchtime 1x ./e2e/ >> bin/bench.txt || { cat bin/bench.txt; exit 1; }
	@cat bin/bench.txt
	./scripts/bench-table.sh bin/bench.txt docs/performance.md

soak: need-go need-postgres need-chromium $(WEB) ## ten minutes of random faults on the floor; SEED=n for another run
	go test -tags prove -count=1 -v -timeout 30m -run TestSoak ./e2e -soak 10m -seed $(or $(SEED),1)

# The newest version of the changelog, with the commit that is built.
VERSION ?= $(shell sed -n 's/^\#\# \([0-9.]*\) .*/\1/p' CHANGELOG.md | head -n1)+$(shell git rev-parse --short=12 HEAD 2>/dev/null || echo unknown)

package: need-go $(WEB) ## a Debian package in bin/package, named by the changelog; VERSION=1.2.3 names another
	@mkdir -p bin/package
	CGO_ENABLED=0 go build -trimpath -ldflags "-X main.release=$(VERSION)" -o bin/package/evrik ./cmd/evrik
	GOARCH=$(shell go env GOARCH) VERSION=$(VERSION) go tool -modfile=packaging/go.mod nfpm package --config packaging/nfpm.yaml --packager deb --target bin/package

check-package: package need-postgres ## install the package here, start it, sign in, stop it, remove it
	./scripts/check-package.sh

screenshots: build need-postgres need-chromium ## docs/screenshots from a fresh demo
	./scripts/screenshots.sh

ratio: ## how much of the code is tests
	@./scripts/ratio.sh

dev: need-go need-node need-postgres web/node_modules/.stamp ## Vite with live reload in front of the demo server
	@./scripts/dev.sh

build: need-go $(WEB) bin/evrik

bin/evrik: $(GO_SOURCES) $(WEB)
	go build -o bin/evrik ./cmd/evrik

web/node_modules/.stamp: web/package-lock.json
	@./scripts/need.sh node
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

$(CASES): $(WEB_SOURCES) web/vite.cases.config.ts web/node_modules/.stamp
	cd web && npm run --silent cases

$(WEB): $(WEB_SOURCES) web/node_modules/.stamp
	cd web && npm run --silent build
	@touch $@

need-go need-node need-postgres need-chromium need-glpk: need-%:
	@./scripts/need.sh $*
