#!/usr/bin/env bash
# A throw-away MariaDB for one test run: db-ephemeral.sh DIR PORT. Prints READY, lives until standard input closes.
set -euo pipefail
RUN_DIR=$1; DB_PORT=$2
DB_EXTRA="--innodb-flush-log-at-trx-commit=${DB_FLUSH:-0} --skip-innodb-doublewrite --innodb-use-native-aio=0"
mkdir -p "$RUN_DIR"
. "$(dirname "$0")/db.sh"
rm -rf "${RUN_DIR:?}/mariadb"
trap 'db_stop || true; rm -rf "${RUN_DIR:?}/mariadb"' EXIT
db_start >&2
echo READY
cat >/dev/null
