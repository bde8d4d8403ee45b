#!/usr/bin/env bash
# Makes a backup each night at the hour that ./backup --nightly was told, or the shop's page, and keeps the last seven. Run by ./start while it runs.
set -uo pipefail
var="${1:?Which data}"
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export GAUGEBEAM_VAR="$var"
while sleep 20; do
  at=$(cat "$var/nightly" 2>/dev/null || echo off)
  [ "$at" = off ] && continue
  file="$var/backups/gaugebeam-$(date +%F).sql"
  [ -e "$file" ] && continue
  [[ "$(date +%H:%M)" < "$at" ]] && continue
  mkdir -p "$var/backups"
  chmod 700 "$var/backups"
  ./backup "$file" || { sleep 600; continue; }
  # By their names the oldest come first.
  find "$var/backups" -maxdepth 1 -name 'gaugebeam-????-??-??.sql' | sort | head -n -7 | xargs -r rm -f
done
