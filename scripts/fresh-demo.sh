#!/usr/bin/env bash
# Empties the database of the environment and loads the demo shop, and a second shop that no test may see.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export NODE_OPTIONS=--conditions=react-server
npx tsx scripts/empty-database.ts
npx tsx src/server/migrate.ts
npx tsx demo/main.ts
npx tsx e2e/fixtures/other-shop.ts
