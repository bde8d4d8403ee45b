#!/usr/bin/env bash
# Puts a backup in the place of what is there, of this version or an older one: scripts/restore.sh FILE, while Gaugebeam is stopped.
# What was there goes to a file first.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
. scripts/database.sh
file="${1:?Say which backup: scripts/restore.sh FILE}"
var="${GAUGEBEAM_VAR:-$PWD/var}"

dump_is_whole "$file" || fail "$file is no whole backup: its end is missing. Nothing was changed."
mkdir -p "$var"
chmod 700 "$var"
var=$(readlink -f "$var")
exec 9<>"$var/start.lock"
flock -w 2 9 || fail "Gaugebeam is running. Stop it first; nothing was changed."
trap 'database_stop "$var/db"' EXIT
need_packages mariadb-dump:mariadb-client
install_packages
database_start "$var/db" 33060
umask 077
kept="$var/before-restore-$(date +%Y-%m-%d-%H%M%S).sql"
database_dump "$var/db" >"$kept" || fail "What is there could not be kept first. Nothing was changed."
{ printf 'DROP DATABASE gaugebeam; CREATE DATABASE gaugebeam CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; USE gaugebeam;\n' && cat "$file"; } |
  database_root "$var/db" || fail "MariaDB refused the backup. What was there is in $kept: restore that."
GAUGEBEAM_SECRET="$(random_word)" NODE_OPTIONS=--conditions=react-server node_modules/.bin/tsx src/server/migrate.ts ||
  fail "The tables could not be brought up to date. What was there is in $kept."
say "$file is in place. What was there before is in $kept. Start with ./start"
