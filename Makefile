# Brambly Acre. `make demo` and `make test` need Go, Node with npm, and (for the
# browser tests) root's apt where Chromium is missing; everything else is fetched.

ADDR ?= 127.0.0.1:8421
VERSION ?= $(shell git describe --always --dirty 2>/dev/null || echo unknown)
PROGRAM := bin/brambly-acre
GO_TOOL := CGO_ENABLED=0 go tool -modfile=tools/go.mod
PACKAGES := ./...

.PHONY: race kill fuzz dist demo test check build generate bench shots front program clean

demo: build
	$(PROGRAM) demo --addr $(ADDR)

build: front program

front: web/dist/index.html

web/node_modules/.installed: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	touch $@

web/dist/index.html: web/node_modules/.installed $(shell find web/src web/public web/index.html web/vite.config.ts web/pack.js web/tsconfig.json -type f) go.mod tools/notices/main.go
	cd web && npm run --silent build
	cd tools && go run ./notices .. ../web/dist/licences.json ../web/dist/notices.json
	rm web/dist/licences.json
	cd web && npm run --silent pack
	touch $@

# Pages beside the program's own, for tests and measurements.
web/bare/dist/index.html: web/node_modules/.installed $(shell find web/src web/bare -type f -not -path '*/dist/*')
	cd web && npx vite build --config bare/vite.config.ts --logLevel warn

program: front
	go build -ldflags "-X main.version=$(VERSION)" -o $(PROGRAM) ./cmd/brambly-acre

# Go's tests, the browser's among them. Chromium is installed if missing.
test: build web/bare/dist/index.html
	tools/ensure-chromium
	go test -timeout 30m $(PACKAGES)
	tools/fuzz 60x

# The fuzzers for minutes, and a thousand changed plants on every page.
fuzz: build
	tools/fuzz 3m
	go test ./garden -count=1 -timeout 1h -v -run TestWhateverPlantLoads -args -mutants=1000

# All tests with the detector of data races: half an hour or more. It needs a C compiler.
race: build
	tools/ensure-compiler
	tools/ensure-chromium
	CGO_ENABLED=1 go test -race -timeout 2h $(PACKAGES)

# The same of what serves many at once: server and store whole, and garden's tests that read while others write.
race-short: front
	tools/ensure-compiler
	CGO_ENABLED=1 go test -race -short -timeout 15m ./server ./store ./garden/now ./garden/gather
	CGO_ENABLED=1 go test -race -short -timeout 15m ./garden -run 'SpreadIsTheSame|OldLooks|ReadsItAtOnce|FaultInWorking|MayHaveBeenWritten|Listing|List|Restart'

# The program, killed a thousand times while it writes: a quarter of an hour or more.
kill: build
	go test ./cmd/brambly-acre -count=1 -timeout 2h -v -run TestKilledAtAnyMoment -args -kills=1000

# Everything that can be told without running the tests.
check: build
	tools/check-format
	go vet $(PACKAGES)
	$(GO_TOOL) staticcheck $(PACKAGES)
	cd web && npm run --silent format && npm run --silent types && npm run --silent lint
	tools/check-generated

# The code that is made from queries and from the server's operations.
generate: front
	$(GO_TOOL) sqlc generate -f store/sqlc.yaml
	go run ./cmd/brambly-acre openapi > docs/openapi.json
	cd web && npm run --silent generate

bench: build web/bare/dist/index.html
	go test -run '^$$' -bench . -benchmem ./core/... ./library ./garden ./server ./demo ./cmd/...
	tools/ensure-chromium
	go test -run '^$$' -bench 'FirstPicture|MovingTheYear|Visits' -benchtime 5x -timeout 20m ./e2e
	tools/first-page-size

# The pictures in docs/screenshots, from the sample plot.
shots: build
	tools/ensure-chromium
	go test ./e2e -count=1 -run TestScreenshots -args -shots=$(CURDIR)/docs/screenshots

# Archives of the program for others: Linux, macOS and Windows on amd64 and arm64. A quarter of an hour the first time.
dist: front
	tools/dist $(VERSION)

clean:
	rm -rf bin dist web/dist/assets web/dist/index.html web/bare/dist web/node_modules
