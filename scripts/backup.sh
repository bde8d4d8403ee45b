#!/usr/bin/env bash
# Writes all of a running shop's data to one file, whole or not at all: scripts/backup.sh [FILE]
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
. scripts/database.sh
folder="${GAUGEBEAM_VAR:-$PWD/var}/db"
file="${1:-gaugebeam-$(date +%Y-%m-%d-%H%M).sql}"

need_packages mariadb-dump:mariadb-client
[ -e "$folder/db.lock" ] && ! lock_is_free "$folder/db.lock" ||
  fail "Gaugebeam is not running. Start it first, or copy the whole folder $(dirname "$folder") as it is."
umask 077
part="$file.part"
trap 'rm -f "$part"' EXIT
database_dump "$folder" >"$part" || fail "MariaDB could not be read. $file was not written."
dump_is_whole "$part" || fail "The backup broke off. $file was not written."
mv "$part" "$file"
say "Everything is in $file ($(du -h "$file" | cut -f1)). Bring it back with: scripts/restore.sh $file"
