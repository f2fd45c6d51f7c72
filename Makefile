# Two commands on a fresh machine: make demo, make test.
GO ?= go
BIN := bin/zesty-thicket
PORT ?= 7878
GO_FILES := $(shell find . -name '*.go' -not -path './web/node_modules/*' 2>/dev/null) $(shell find guide -name '*.yaml' -o -name '*.json' 2>/dev/null) demo/scenario.json
WEB_FILES := $(shell find web/src web/public web/index.html web/vite.config.ts web/compress.ts web/tsconfig*.json -type f 2>/dev/null)

.PHONY: demo test test-go test-web bench mistakes soak build lint types check-tools chromium clean

demo: build
	@$(BIN) serve --demo --db data/demo.db --port $(PORT)

build: $(BIN)

check-tools:
	@scripts/check-tools.sh

web/node_modules/.package-lock.json: web/package.json web/package-lock.json
	@scripts/check-tools.sh
	cd web && npm ci --no-audit --no-fund --loglevel=error

web/dist/index.html: web/node_modules/.package-lock.json $(WEB_FILES)
	cd web && npx tsc -b && npx vite build --logLevel warn
	@touch web/dist/.keep

$(BIN): web/dist/index.html $(GO_FILES) go.mod go.sum
	$(GO) build -o $(BIN) ./cmd/zesty-thicket

# Everything: linters, Go tests, interface tests in Chromium.
test: build lint test-go test-web

test-go:
	$(GO) test -timeout 40m ./...

test-web: chromium
	cd web && npx playwright test

lint: web/node_modules/.package-lock.json
	$(GO) vet ./...
	@test -z "$$(gofmt -l $$(git ls-files '*.go'))" || { gofmt -l $$(git ls-files '*.go'); echo "run gofmt -w on these files"; exit 1; }
	$(GO) tool staticcheck ./...
	cd web && npx tsc -b && npx eslint . && npx prettier --check . --log-level warn

chromium:
	@scripts/install-chromium.sh

# The API document and the types made from it.
types: web/node_modules/.package-lock.json
	$(GO) run ./cmd/zesty-thicket openapi > docs/openapi.new && mv docs/openapi.new docs/openapi.json
	cd web && npm run --silent types

# Every dangerous entry in the place of every target, with every single mistake:
# half an hour and more.
mistakes:
	ZT_ALL_PAIRS=1 $(GO) test ./evidence -run "SingleMistakes|Misleading" -count 1 -v -timeout 3h

# The long runs: the simulation of docs/calibration.md, 300 kills under load, two writers a thousand times, 200 wrong clocks,
# 140 files with flipped bytes, 20,000 changed bodies, every dangerous entry in place
# of every target with every single mistake, and each fuzzer for a minute. Two hours and more.
FUZZ := ./quantity:FuzzParse ./exchange/casefile:FuzzRead ./exchange/geo:FuzzRead ./exchange/photo:FuzzClean ./exchange/weather:FuzzRoundTrip ./exchange/track:FuzzTracks ./internal/spell:FuzzDistance ./guide/load:FuzzOverlay ./guide/load:FuzzReadings ./httpapi:FuzzBodies ./httpapi:FuzzSearch
soak: build
	ZT_SOAK=1 $(GO) test ./cli ./httpapi -run 'KilledUnderLoad|FlippedBytes|MutatedBodies|TwoScreens|MealsInReach' -count 1 -v -timeout 2h
	bin/zesty-thicket calibrate --draws 4000 > docs/calibration.md
	bin/zesty-thicket calibrate --answers > docs/answers.md
	for f in $(FUZZ); do $(GO) test $${f%%:*} -run '^$$' -fuzz "^$${f##*:}$$" -fuzztime 60s -parallel 2 || exit 1; done
	$(MAKE) mistakes

# Figures for docs/benchmarks.md.
bench: build chromium
	$(GO) test ./evidence ./plan ./store -run '^$$' -bench . -benchmem -cpu 1
	cd web && npx playwright test --config playwright.bench.config.ts

clean:
	rm -rf bin web/dist/assets web/dist/index.html

# One program for each system, in bin/release, with their checksums.
SYSTEMS := linux/amd64 linux/arm64 darwin/amd64 darwin/arm64 windows/amd64 windows/arm64
.PHONY: release
release: build
	rm -rf bin/release && mkdir -p bin/release
	for s in $(SYSTEMS); do \
	  os=$${s%/*}; arch=$${s#*/}; end=; [ $$os = windows ] && end=.exe; \
	  CGO_ENABLED=0 GOOS=$$os GOARCH=$$arch $(GO) build -buildvcs=true -trimpath -ldflags='-s -w' -o bin/release/zesty-thicket-$$os-$$arch$$end ./cmd/zesty-thicket || exit 1; \
	done
	cd bin/release && sha256sum * > SHA256SUMS

.PHONY: screenshots
screenshots: build chromium
	cd web && npx playwright test --config playwright.shots.config.ts
