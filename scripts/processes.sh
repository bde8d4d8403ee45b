# Processes of ours, known by a lock file that they hold open and never by a number in a file: a number may belong to another program by now,
# a lock ends with the process that held it, however that ended. Sourced by scripts/database.sh.

# Runs a command in the background as long as this shell lives, holding the lock on FILE. Sets held_pid; 1 when somebody holds the lock already.
# Descriptor 9 is the lock of ./start or ./check itself, which no child may keep.
hold() {
  local file="$1"
  shift
  lock_is_free "$file" || return 1
  (
    exec 9>&- 8>>"$file"
    flock -n 8 || exit 75
    exec setpriv --pdeathsig TERM setsid "$@"
  ) &
  held_pid=$!
}

lock_is_free() { flock -n "$1" true 2>/dev/null; }

# Who holds FILE open, apart from this shell.
holders_of() {
  local file
  file=$(readlink -f "$1") || return 0
  find /proc/[0-9]*/fd -maxdepth 1 -lname "$file" 2>/dev/null | cut -d/ -f3 | sort -u | grep -vx "$$" || true
}

# Asks what holds FILE to end, and does not wait: another may hold it at once.
ask_to_end() {
  local pid
  for pid in $(holders_of "$1"); do kill -TERM "$pid" 2>/dev/null || true; done
}

# Ends what holds FILE: asks, waits at most SECONDS, then ends it by force. Nothing else is ever signalled.
release() {
  local file="$1" tenths=$(($2 * 10)) pid
  [ -e "$file" ] || return 0
  lock_is_free "$file" && return 0
  for pid in $(holders_of "$file"); do kill -TERM "$pid" 2>/dev/null || true; done
  while ! lock_is_free "$file"; do
    tenths=$((tenths - 1))
    if [ "$tenths" -le 0 ]; then
      for pid in $(holders_of "$file"); do kill -KILL "$pid" 2>/dev/null || true; done
      sleep 0.2
      lock_is_free "$file" && return 0
      say "A process that is not ours to end holds $file."
      return 1
    fi
    sleep 0.1
  done
}

end_by_force() {
  local file pid
  for file in "$@"; do
    [ -e "$file" ] || continue
    for pid in $(holders_of "$file"); do kill -KILL "$pid" 2>/dev/null || true; done
  done
}
