# Private MariaDB of this working tree. Source it, then db_start | db_stop | db_kill | db_running | db_sql.
# Debian's package, on loopback, in a data directory of our own, under a user that is not root.
: "${RUN_DIR:=$PWD/.run}" "${DB_PORT:=33306}" "${DB_NAME:=clerk}" "${DB_USER:=clerk}" "${DB_PASS:=clerk-local-only}"
DB_BASE=$RUN_DIR/mariadb; DB_DATA=$DB_BASE/data; DB_PID=$DB_BASE/mariadbd.pid; DB_LOG=$DB_BASE/mariadbd.log
DB_TMP=$DB_BASE/tmp       # one of its own: a server that starts clears away the temporary tables of any other in a shared one
DB_SOCK=$DB_BASE/s.sock   # a Unix socket path may have 107 bytes at most
[ ${#DB_SOCK} -le 100 ] || DB_SOCK=/dev/shm/db-$(id -u)-$(printf %s "$DB_BASE" | sha1sum | cut -c1-12).sock
db_owner() { if [ "$(id -u)" -ne 0 ]; then id -un; elif [ -d "$DB_DATA/mysql" ]; then stat -c %U "$DB_DATA"; else echo nobody; fi; }
db_as() { local o; o=$(db_owner)
  if [ "$(id -u)" -eq 0 ] && [ "$o" != root ]; then setpriv --reuid "$o" --regid "$(id -gn "$o")" --clear-groups env HOME=/nonexistent "$@"; else "$@"; fi; }
# One that was killed and is not reaped yet still has its name, and is gone.
db_alive() { [ -d "/proc/$1" ] && ! grep -q '^State:.Z' "/proc/$1/status" 2>/dev/null; }
db_pid() { local p; p=$(cat "$DB_PID" 2>/dev/null) && [ "$(cat "/proc/$p/comm" 2>/dev/null)" = mariadbd ] && db_alive "$p" && echo "$p"; }
db_running() { db_pid >/dev/null; }
db_sql() { mariadb --no-defaults --socket="$DB_SOCK" -u "$(id -un)" "$@"; }
db_init() {
  mkdir -p "$DB_DATA" "$DB_TMP" || return 1
  [ "$(id -u)" -ne 0 ] || chown "$(db_owner):" "$DB_BASE" "$DB_DATA" "$DB_TMP"
  [ -d "$DB_DATA/mysql" ] && return 0
  db_as test -w "$DB_DATA" || { echo "User $(db_owner) cannot reach $DB_DATA: keep the project outside a private home directory." >&2; return 1; }
  db_as mariadb-install-db --no-defaults --datadir="$DB_DATA" --tmpdir="$DB_TMP" --skip-test-db --skip-name-resolve --innodb-log-file-size=16M \
    --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" > "$DB_BASE.install.log" 2>&1 || { tail -20 "$DB_BASE.install.log" >&2; return 1; }
}
db_start() {
  db_running && return 0
  db_init || return 1
  ! (exec 3<>"/dev/tcp/127.0.0.1/$DB_PORT") 2>/dev/null || { echo "Port $DB_PORT is taken. Free it, or choose another: DB_PORT=33307 ./clerk ..." >&2; return 1; }
  db_as setsid mariadbd --no-defaults --datadir="$DB_DATA" --tmpdir="$DB_TMP" --socket="$DB_SOCK" --pid-file="$DB_PID" --log-error="$DB_LOG" \
    --bind-address=127.0.0.1 --port="$DB_PORT" --skip-name-resolve --default-time-zone=+00:00 \
    --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --innodb-buffer-pool-size=128M \
    --innodb-log-file-size=16M ${DB_EXTRA:-} </dev/null >/dev/null 2>&1 &
  local i; for ((i = 0; i < 1200; i++)); do db_sql -Ne 'select 1' >/dev/null 2>&1 && break; sleep 0.1; done
  db_sql <<SQL || { tail -20 "$DB_LOG" >&2; return 1; }
CREATE DATABASE IF NOT EXISTS \`$DB_NAME\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS '$DB_USER'@'127.0.0.1'; ALTER USER '$DB_USER'@'127.0.0.1' IDENTIFIED BY '$DB_PASS';
GRANT ALL ON \`$DB_NAME\`.* TO '$DB_USER'@'127.0.0.1';
SQL
}
# Waits up to 30 s for a process to be gone.
db_gone() { local i; for ((i = 0; i < 300; i++)); do db_alive "$1" || return 0; sleep 0.1; done; return 1; }
db_stop() {
  local p; p=$(db_pid) || return 0
  kill -TERM "$p"; db_gone "$p" && return 0
  echo "mariadbd $p did not stop within 30 s" >&2; return 1
}
# As a power cut would.
db_kill() { local p; p=$(db_pid) && kill -9 "$p" && db_gone "$p"; }
