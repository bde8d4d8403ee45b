#!/usr/bin/env bash
# One picture of each main view, from the demo shop at a fixed hour, into docs/screenshots.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
. scripts/database.sh
folder="$PWD/var/check/db"
server=""
finish() {
  [ -n "$server" ] && { kill -TERM -- "-$server" 2>/dev/null || true; }
  database_stop "$folder" || true
}
trap finish EXIT
mkdir -p var/check docs/screenshots
need_packages chromium:chromium
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
export GAUGEBEAM_E2E_PORT
GAUGEBEAM_E2E_PORT=$(free_port)
setsid node_modules/.bin/next start -H 127.0.0.1 -p "$GAUGEBEAM_E2E_PORT" >var/check/app.log 2>&1 &
server=$!
npx playwright test --project=gallery --reporter=list
