# MariaDB for one folder: its own data, socket and port, on 127.0.0.1 only. Sourced by start, check and the gallery.
# Usage: database_start FOLDER WANTED_PORT; database_stop FOLDER. Sets and exports GAUGEBEAM_DB_*.

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }

as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"; elif command -v sudo >/dev/null 2>&1; then sudo "$@"; else
    fail "This needs root once: run it as root, or install sudo. Wanted: $*"
  fi
}

# Installs Debian packages whose command is missing: "command:package" pairs.
need_packages() {
  local missing=() pair
  for pair in "$@"; do
    command -v "${pair%%:*}" >/dev/null 2>&1 || [ -x "/usr/sbin/${pair%%:*}" ] || missing+=("${pair##*:}")
  done
  [ "${#missing[@]}" -eq 0 ] && return 0
  say "Installing ${missing[*]} …"
  as_root apt-get -o DPkg::Lock::Timeout=600 -qq update >&2 || fail "apt-get update failed. Check the network and run it again."
  as_root env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=600 -qq install -y "${missing[@]}" >/dev/null || fail "Could not install ${missing[*]}. Install them by hand and run it again."
}

port_is_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close(()=>process.exit(0)))' "$1"; }
free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }
random_word() { node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))'; }

socket_of() {
  local socket="$1/db.sock"
  # A socket path may have 107 bytes.
  if [ "${#socket}" -gt 100 ]; then socket="${TMPDIR:-/tmp}/gaugebeam-$(printf '%s' "$1" | cksum | cut -d' ' -f1).sock"; fi
  printf '%s' "$socket"
}

database_pid() {
  local pid
  pid=$(cat "$1/db.pid" 2>/dev/null) || return 1
  [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null && grep -qa mariadbd "/proc/$pid/cmdline" 2>/dev/null && printf '%s' "$pid"
}

database_start() {
  local folder="$1" wanted="$2" socket port user_option=() waited=0
  export PATH="$PATH:/usr/sbin"
  need_packages mariadbd:mariadb-server-core mariadb:mariadb-client-core
  command -v mariadb-install-db >/dev/null 2>&1 || need_packages mariadb-install-db:mariadb-server
  mkdir -p "$folder"
  socket=$(socket_of "$folder")
  [ -s "$folder/password" ] || (umask 077 && random_word >"$folder/password")
  [ "$(id -u)" -eq 0 ] && user_option=(--user=root)
  local config="$folder/my.cnf"

  if database_pid "$folder" >/dev/null; then
    port=$(cat "$folder/port")
  else
    port=$(cat "$folder/port" 2>/dev/null || printf '%s' "$wanted")
    port_is_free "$port" || { say "Port $port is taken; the database moves to another."; port=$(free_port); }
    printf '%s\n' "$port" >"$folder/port"
    cat >"$config" <<CNF
[mariadbd]
datadir=$folder/data
socket=$socket
pid-file=$folder/db.pid
log-error=$folder/db.log
port=$port
bind-address=127.0.0.1
skip-networking=0
skip-name-resolve=1
skip-log-bin
performance_schema=0
innodb_flush_log_at_trx_commit=1
innodb_buffer_pool_size=64M
innodb_log_file_size=16M
character-set-server=utf8mb4
collation-server=utf8mb4_unicode_ci
default-time-zone=+00:00
sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ERROR_FOR_DIVISION_BY_ZERO
max_allowed_packet=32M
CNF
    if [ ! -f "$folder/data/.installed" ]; then
      rm -rf "$folder/data"
      mariadb-install-db --defaults-file="$config" "${user_option[@]}" --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --skip-test-db >"$folder/install.log" 2>&1 ||
        fail "MariaDB could not make its tables. See $folder/install.log."
      touch "$folder/data/.installed"
    fi
    # A session of its own: Ctrl-C in the terminal must not end it before the app has stopped.
    setsid mariadbd --defaults-file="$config" "${user_option[@]}" </dev/null >>"$folder/db.log" 2>&1 &
  fi
  until mariadb --socket="$socket" --user="$(id -un)" -e "SELECT 1" >/dev/null 2>&1; do
    waited=$((waited + 1))
    [ "$waited" -gt 300 ] && fail "MariaDB did not come up. See $folder/db.log."
    sleep 0.1
  done
  local password
  password=$(cat "$folder/password")
  mariadb --socket="$socket" --user="$(id -un)" <<SQL || fail "MariaDB refused to make the database. See $folder/db.log."
CREATE DATABASE IF NOT EXISTS gaugebeam CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS 'app'@'127.0.0.1' IDENTIFIED BY '$password';
ALTER USER 'app'@'127.0.0.1' IDENTIFIED BY '$password';
GRANT ALL PRIVILEGES ON gaugebeam.* TO 'app'@'127.0.0.1';
SQL
  export GAUGEBEAM_DB_HOST=127.0.0.1 GAUGEBEAM_DB_PORT="$port" GAUGEBEAM_DB_NAME=gaugebeam GAUGEBEAM_DB_USER=app GAUGEBEAM_DB_PASSWORD="$password"
}

database_stop() {
  local pid waited=0
  pid=$(database_pid "$1") || return 0
  kill -TERM "$pid" 2>/dev/null || return 0
  while kill -0 "$pid" 2>/dev/null; do
    waited=$((waited + 1))
    [ "$waited" -gt 200 ] && { say "MariaDB (process $pid) does not stop."; return 1; }
    sleep 0.1
  done
}

# npm packages, only when the lock file changed.
install_packages() {
  local wanted
  wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
  [ -d node_modules ] && [ "$(cat node_modules/.lock-hash 2>/dev/null)" = "$wanted" ] && return 0
  say "Installing npm packages …"
  npm ci --ignore-scripts --no-audit --no-fund >&2 || fail "npm ci failed. Check the network and run it again."
  printf '%s\n' "$wanted" >node_modules/.lock-hash
}

# A fingerprint of all that a build is made of.
sources_hash() {
  { cat package-lock.json next.config.ts postcss.config.mjs tsconfig.json; find src -type f -not -name '*.test.ts' -not -name '*.test.tsx' -print0 | sort -z | xargs -0 sha256sum; } | sha256sum | cut -d' ' -f1
}

build_is_fresh() { [ -f .next/BUILD_ID ] && [ "$(cat .next/sources-hash 2>/dev/null)" = "$(sources_hash)" ]; }
