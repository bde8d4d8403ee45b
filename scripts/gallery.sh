#!/usr/bin/env bash
# One picture of each main view, from the demo shop at a fixed hour, into docs/screenshots.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
. scripts/database.sh
folder="$PWD/var/check/db"
app_lock="$PWD/var/check/app.lock"
finish() {
  release "$app_lock" 3 || true
  database_stop "$folder" || true
}
trap finish EXIT
mkdir -p var/check docs/screenshots
exec 9<>var/check/check.lock
flock -w 5 9 || fail "Another gallery, or ./check, runs here."
need_packages chromium-headless-shell:chromium-headless-shell
install_packages
database_start "$folder" 33161
GAUGEBEAM_SECRET="$(random_word)"
GAUGEBEAM_CHECK_SOCKET="$(socket_of "$folder")"
export GAUGEBEAM_SECRET GAUGEBEAM_CHECK_SOCKET NEXT_TELEMETRY_DISABLED=1 GAUGEBEAM_DEMO_NOW="2026-05-14T15:18:00.000Z"
if ! build_is_fresh; then
  wanted=$(sources_hash)
  npm run --silent build
  printf '%s\n' "$wanted" >.next/sources-hash
fi
bash scripts/fresh-demo.sh
port=$(free_port)
export GAUGEBEAM_E2E_SHOPS="$port/$GAUGEBEAM_DB_NAME"
release "$app_lock" 3
hold "$app_lock" node serve/main.mjs --port "$port" </dev/null >var/check/app.log 2>&1
npx playwright test --project=gallery --reporter=list
