#!/usr/bin/env bash
# Runs a project of Playwright in the demo shop, on a server of its own: "gallery" (one picture of each main view, at the hour of GAUGEBEAM_DEMO_NOW,
# into docs/screenshots), or "screens" (how long a reading and an act take to a screen). "shop-file" measures a large shop out and in, without a browser.
set -euo pipefail
project="${1:?gallery, screens or shop-file}"
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
flock -w 5 9 || fail "Another one of these, or ./check, runs here."
need_packages chromium-headless-shell:chromium-headless-shell
install_packages
database_start "$folder" 33161
GAUGEBEAM_SECRET="$(random_word)"
GAUGEBEAM_CHECK_SOCKET="$(socket_of "$folder")"
export GAUGEBEAM_SECRET GAUGEBEAM_CHECK_SOCKET NEXT_TELEMETRY_DISABLED=1
if [ "$project" = shop-file ]; then
  NODE_OPTIONS="--conditions=react-server --expose-gc" npx tsx benchmarks/shop-file.ts
  exit
fi
if ! build_is_fresh; then
  wanted=$(sources_hash)
  npm run --silent build
  printf '%s\n' "$wanted" >.next/sources-hash
fi
bash scripts/fresh-demo.sh
port=$(free_port)
scale=$(free_port)
# Pictures show what a shop without instruments sees.
[ "$project" = gallery ] || export GAUGEBEAM_SCALE="127.0.0.1:$scale"
export GAUGEBEAM_E2E_SHOPS="$port/$GAUGEBEAM_DB_NAME/$scale"
release "$app_lock" 3
hold "$app_lock" node serve/main.mjs --port "$port" </dev/null >var/check/app.log 2>&1
npx playwright test --project="$project" --reporter=list
