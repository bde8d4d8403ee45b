# MariaDB for one folder: its own data, socket and port, on 127.0.0.1 only. Sourced by start, check and the gallery.
# Usage: database_start FOLDER WANTED_PORT; database_stop FOLDER. Sets and exports GAUGEBEAM_DB_*.
# The caller holds a lock of its own over FOLDER: what runs on it already was left behind by a caller that is gone, and is ended.

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }
. scripts/processes.sh

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

is_port() { [[ "$1" =~ ^[0-9]+$ ]] && [ "$1" -ge 1024 ] && [ "$1" -le 65535 ]; }

# The owner's rights as root of the database, by its socket.
database_root() { mariadb --no-defaults --connect-timeout=2 --socket="$(socket_of "$1")" --user="$(id -un)" "${@:2}"; }

# Makes the system tables in a folder of its own and moves it into place when all of them are there, so that a data folder is whole or not there.
# Data that exists is never deleted, whatever is missing beside it.
database_install() {
  local folder="$1" fresh
  if [ -d "$folder/data" ] && ! rmdir "$folder/data" 2>/dev/null; then
    [ -d "$folder/data/mysql" ] && return 0
    fail "$folder/data holds something that is no database of MariaDB. Nothing was touched: move it elsewhere, or put your data back there, and start again."
  fi
  fresh=$(mktemp -d "$folder/installing.XXXXXX")
  mariadb-install-db --defaults-file="$folder/my.cnf" "${user_option[@]}" --datadir="$fresh" --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --skip-test-db >"$folder/install.log" 2>&1 9>&- ||
    fail "MariaDB could not make its tables. See $folder/install.log."
  mv -T "$fresh" "$folder/data"
  # What a start that was ended here left half made: nobody's data was ever in it.
  rm -rf "$folder"/installing.??????
}

database_config() {
  local folder="$1" port="$2"
  cat >"$folder/my.cnf" <<CNF
[mariadbd]
datadir=$folder/data
socket=$(socket_of "$folder")
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
}

# Starts the server process on the data that is there. Sets database_process; waits until it answers; 1 when its port was taken meanwhile.
database_run() {
  local folder="$1" waited=0 before
  if [ "$(stat -c %s "$folder/db.log" 2>/dev/null || echo 0)" -gt 4000000 ]; then mv "$folder/db.log" "$folder/db.log.1"; fi
  before=$(stat -c %s "$folder/db.log" 2>/dev/null || echo 0)
  hold "$folder/db.lock" mariadbd --defaults-file="$folder/my.cnf" "${user_option[@]}" </dev/null >>"$folder/db.log" 2>&1 ||
    fail "Another process holds $folder/db.lock."
  database_process=$held_pid
  until database_root "$folder" -e "SELECT 1" >/dev/null 2>&1; do
    waited=$((waited + 1))
    if [ ! -d "/proc/$database_process" ] && tail -c "+$((before + 1))" "$folder/db.log" | grep -q "Bind on TCP/IP port"; then return 1; fi
    [ -d "/proc/$database_process" ] && [ "$waited" -le 1200 ] ||
      fail "MariaDB did not come up on $folder/data. Nothing was deleted. See $folder/db.log."
    sleep 0.1
  done
}

# Chooses the port and runs it there: the one wanted, or a free one where another program has it, also one that took it this moment.
database_run_on() {
  local folder="$1" port="$2"
  for _ in 1 2 3; do
    port_is_free "$port" || { say "Port $port is taken; the database moves to another."; port=$(free_port); }
    printf '%s\n' "$port" >"$folder/port"
    database_config "$folder" "$port"
    export GAUGEBEAM_DB_PORT="$port"
    database_run "$folder" && return 0
  done
  fail "MariaDB finds no port. See $folder/db.log."
}

database_start() {
  local folder="$1" wanted="$2" port password
  user_option=()
  export PATH="$PATH:/usr/sbin"
  need_packages mariadbd:mariadb-server-core mariadb:mariadb-client-core
  command -v mariadb-install-db >/dev/null 2>&1 || need_packages mariadb-install-db:mariadb-server
  mkdir -p "$folder"
  chmod 700 "$folder"
  [ "$(id -u)" -eq 0 ] && user_option=(--user=root)
  database_stop "$folder" || fail "An earlier MariaDB still runs on $folder."
  [ -s "$folder/password" ] || { (umask 077 && random_word >"$folder/password.new") && mv "$folder/password.new" "$folder/password"; }
  port=$(cat "$folder/port" 2>/dev/null || true)
  is_port "$port" || port="$wanted"
  database_config "$folder" "$port"
  database_install "$folder"
  database_run_on "$folder" "$port"
  password=$(cat "$folder/password")
  database_root "$folder" <<SQL || fail "MariaDB refused to make the database. See $folder/db.log."
CREATE DATABASE IF NOT EXISTS gaugebeam CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS 'app'@'127.0.0.1' IDENTIFIED BY '$password';
ALTER USER 'app'@'127.0.0.1' IDENTIFIED BY '$password';
GRANT ALL PRIVILEGES ON gaugebeam.* TO 'app'@'127.0.0.1';
SQL
  export GAUGEBEAM_DB_HOST=127.0.0.1 GAUGEBEAM_DB_NAME=gaugebeam GAUGEBEAM_DB_USER=app GAUGEBEAM_DB_PASSWORD="$password" GAUGEBEAM_DB_FOLDER="$folder"
}

# Asks it to stop, at most five seconds; after that its log brings everything back that was committed.
database_stop() { release "$1/db.lock" "${2:-5}"; }

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
  { cat package-lock.json next.config.ts postcss.config.mjs tsconfig.json; find src public scripts/build-aside.mjs scripts/build-service-worker.mjs -type f -not -name '*.test.ts' -not -name '*.test.tsx' -print0 | sort -z | xargs -0 sha256sum; } | sha256sum | cut -d' ' -f1
}

build_is_fresh() { [ -f .next/BUILD_ID ] && [ -f .next/aside.mjs ] && [ -f .next/service-worker.js ] && [ "$(cat .next/sources-hash 2>/dev/null)" = "$(sources_hash)" ]; }

# All of the shop's data, or of another database, as statements; the last line says that it is all.
database_dump() {
  mariadb-dump --no-defaults --socket="$(socket_of "$1")" --user="$(id -un)" --single-transaction --quick --default-character-set=utf8mb4 "${2:-gaugebeam}"
}
# A second database of that name with all that is in the first, for the app's user.
database_copy() {
  local folder="$1" name="$2"
  database_root "$folder" <<SQL
DROP DATABASE IF EXISTS \`$name\`;
CREATE DATABASE \`$name\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
GRANT ALL PRIVILEGES ON \`$name\`.* TO 'app'@'127.0.0.1';
SQL
  database_dump "$folder" | database_root "$folder" "$name"
}
dump_is_whole() { tail -c 200 "$1" 2>/dev/null | grep -q "Dump completed"; }
