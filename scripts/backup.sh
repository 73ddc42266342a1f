#!/usr/bin/env bash
# Backups of one database: backup.sh backup DIR [--encrypt] [--keep N] | restore FILE | verify FILE | before-upgrade DIR | after-upgrade DIR.
# Wants RUN_DIR, DB_PORT and DB_NAME
# as scripts/db.sh has them, and the database running. An encrypted backup carries the file of keys (KEY_FILE) too.
set -euo pipefail
HERE=$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)
. "$HERE/db.sh"
MIGRATIONS=$HERE/../app/src/main/resources/db/migration
WORK=$(mktemp -d)
SCRATCH=${DB_NAME}_check_$$
trap 'db_sql -e "DROP DATABASE IF EXISTS \`$SCRATCH\`" 2>/dev/null || true; forget_agent; rm -rf "$WORK"' EXIT

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }
forget_agent() { [ ! -d "$WORK/gnupg" ] || gpgconf --homedir "$WORK/gnupg" --kill gpg-agent 2>/dev/null || true; }

# One moment of the database while it is worked with; the same rows always give the same text.
dump() { # DATABASE
  mariadb-dump --no-defaults --socket="$DB_SOCK" -u "$(id -un)" --single-transaction --skip-lock-tables --hex-blob --order-by-primary \
    --default-character-set=utf8mb4 --skip-comments --skip-dump-date "$1"
}
load() { # DATABASE, from standard input
  db_sql -e "CREATE DATABASE \`$1\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci"
  db_sql --default-character-set=utf8mb4 "$1"
}
tables() { db_sql -Ne "SELECT table_name FROM information_schema.tables WHERE table_schema = '$1' ORDER BY table_name"; }
schema_of() { db_sql -Ne "SELECT COALESCE(MAX(CAST(version AS UNSIGNED)), 0) FROM \`$1\`.flyway_schema_history WHERE success = 1" 2>/dev/null || echo 0; }
newest_schema() { find "$MIGRATIONS" -name 'V*__*.sql' -printf '%f\n' | sed 's/^V\([0-9]*\)__.*/\1/' | sort -n | tail -1; }

passphrase() {
  if [ -n "${CLERK_BACKUP_PASSPHRASE_FILE:-}" ]; then head -1 "$CLERK_BACKUP_PASSPHRASE_FILE"
  else printf '%s' "${CLERK_BACKUP_PASSPHRASE:-}"; fi
}
gpg_run() { # arguments of gpg
  mkdir -p -m 700 "$WORK/gnupg"
  [ -n "$(passphrase)" ] || fail "Give the passphrase: CLERK_BACKUP_PASSPHRASE_FILE=FILE, or CLERK_BACKUP_PASSPHRASE."
  gpg --homedir "$WORK/gnupg" --batch --quiet --yes --pinentry-mode loopback --passphrase-fd 3 "$@" 3< <(passphrase)
}

# The backup is proved by being restored beside everything else and dumped again: both texts must be the same.
prove() { # DUMP
  load "$SCRATCH" <"$1"
  dump "$SCRATCH" | cmp -s - "$1" || fail "The backup does not give back what was saved. It is not kept."
  db_sql -e "DROP DATABASE \`$SCRATCH\`"
}

backup() {
  local dir=$1 encrypt= keep=; shift
  while [ $# -gt 0 ]; do
    case "$1" in
      --encrypt) encrypt=yes ;;
      --keep) keep=${2:-}; [[ $keep =~ ^[1-9][0-9]*$ ]] || fail "--keep wants a number."; shift ;;
      *) fail "Unknown: $1" ;;
    esac
    shift
  done
  [ -z "$encrypt" ] || [ -n "$(passphrase)" ] || fail "Give the passphrase: CLERK_BACKUP_PASSPHRASE_FILE=FILE, or CLERK_BACKUP_PASSPHRASE."
  mkdir -p -m 700 "$dir"
  local box=$WORK/box began=$SECONDS; mkdir -m 700 "$box"
  dump "$DB_NAME" >"$box/database.sql"
  prove "$box/database.sql"
  printf 'database %s\nschema %s\nmade %s\nsha256 %s\n' "$DB_NAME" "$(schema_of "$DB_NAME")" "$(date -u +%Y-%m-%dT%H:%M:%SZ)" "$(sha256sum "$box/database.sql" | cut -d' ' -f1)" >"$box/manifest"
  [ -z "$encrypt" ] || [ ! -f "${KEY_FILE:-}" ] || cp "$KEY_FILE" "$box/credential-keys"
  local name; name=$dir/$DB_NAME-$(date -u +%Y%m%d-%H%M%S).tar.gz
  tar -C "$box" -czf "$WORK/whole.tar.gz" .
  if [ -n "$encrypt" ]; then
    name=$name.gpg
    gpg_run --symmetric --cipher-algo AES256 -o "$WORK/whole.gpg" "$WORK/whole.tar.gz"
    mv "$WORK/whole.gpg" "$name.part"
  else
    mv "$WORK/whole.tar.gz" "$name.part"
  fi
  chmod 600 "$name.part"; sync -f "$name.part"; mv "$name.part" "$name"
  if [ -n "$keep" ]; then
    find "$dir" -maxdepth 1 -name "$DB_NAME-[0-9]*.tar.gz*" ! -name '*.part' | sort -r | tail -n +$((keep + 1)) | while read -r old; do rm -f "$old"; done
  fi
  say "$name"
  say "Saved and proved in $((SECONDS - began)) s: $(stat -c %s "$name") bytes, $(tables "$DB_NAME" | wc -l) tables." >&2
  [ -n "$encrypt" ] || say "The file of keys is not in it, because it is not encrypted. Keep a copy of ${KEY_FILE:-the file of keys} elsewhere: without it no code opens." >&2
}

unpack() { # FILE
  [ -f "$1" ] || fail "There is no file $1."
  mkdir -p "$WORK/box"
  case "$1" in
    *.gpg) gpg_run --decrypt -o "$WORK/whole.tar.gz" "$1" 2>/dev/null || fail "The backup cannot be opened: another passphrase, or it was changed." ;;
    *) cp "$1" "$WORK/whole.tar.gz" ;;
  esac
  tar -C "$WORK/box" -xzf "$WORK/whole.tar.gz" 2>/dev/null && [ -f "$WORK/box/manifest" ] || fail "This is no backup of the clerk, or it is damaged."
  [ "$(sed -n 's/^sha256 //p' "$WORK/box/manifest")" = "$(sha256sum "$WORK/box/database.sql" | cut -d' ' -f1)" ] || fail "The backup is damaged: it is not what was saved."
  local schema; schema=$(sed -n 's/^schema //p' "$WORK/box/manifest")
  [ "$schema" -le "$(newest_schema)" ] || fail "The backup is of a newer clerk (tables of version $schema, here $(newest_schema)). Update this one first."
}

verify() {
  unpack "$1"
  prove "$WORK/box/database.sql"
  say "In order: tables of version $(sed -n 's/^schema //p' "$WORK/box/manifest"), saved $(sed -n 's/^made //p' "$WORK/box/manifest")."
}

# What is there now is kept under another name: whoever took the wrong file loses nothing.
restore() {
  unpack "$1"
  local before; before=${DB_NAME}_before_$(date -u +%Y%m%d%H%M%S)
  load "$SCRATCH" <"$WORK/box/database.sql"
  dump "$SCRATCH" | cmp -s - "$WORK/box/database.sql" || fail "The backup does not give back what was saved. Nothing was changed."
  local moves=() t
  db_sql -e "CREATE DATABASE IF NOT EXISTS \`$DB_NAME\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; GRANT ALL ON \`$DB_NAME\`.* TO '$DB_USER'@'127.0.0.1'"
  local there; there=$(tables "$DB_NAME")
  if [ -n "$there" ]; then
    db_sql -e "CREATE DATABASE \`$before\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci"
    for t in $there; do moves+=("\`$DB_NAME\`.\`$t\` TO \`$before\`.\`$t\`"); done
  fi
  for t in $(tables "$SCRATCH"); do moves+=("\`$SCRATCH\`.\`$t\` TO \`$DB_NAME\`.\`$t\`"); done
  db_sql -e "RENAME TABLE $(IFS=,; printf '%s' "${moves[*]}")"
  if [ -f "$WORK/box/credential-keys" ] && [ -n "${KEY_FILE:-}" ]; then
    [ ! -f "$KEY_FILE" ] || cmp -s "$KEY_FILE" "$WORK/box/credential-keys" || cp -p "$KEY_FILE" "$KEY_FILE.before-restore"
    install -m 600 "$WORK/box/credential-keys" "$KEY_FILE"
  fi
  say "Restored as it was on $(sed -n 's/^made //p' "$WORK/box/manifest"), tables of version $(sed -n 's/^schema //p' "$WORK/box/manifest"); the next start brings them up to $(newest_schema)."
  [ -z "$there" ] || say "What was there before is kept as the database $before."
}

# MariaDB does not take back half of a migration. So what is there is saved before tables are changed, and put back if that was cut off. The
# marker tells the backup and the version that was wanted: tables that have reached it are whole, whatever became of the marker, and people
# may have worked with them since.
before_upgrade() { # DIR
  local marker=$1/upgrade-of-$DB_NAME saved= wanted= now; now=$(schema_of "$DB_NAME")
  [ ! -f "$marker" ] || read -r wanted saved <"$marker"
  if [ -n "$wanted" ] && [ "$now" -lt "$wanted" ]; then
    [ "$saved" = new ] || [ -f "$saved" ] || fail "The last start was cut off while tables were changed, and $saved is gone. Restore another backup."
    [ "$saved" = new ] || unpack "$saved"
    db_sql -e "DROP DATABASE IF EXISTS \`$DB_NAME\`; CREATE DATABASE \`$DB_NAME\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; GRANT ALL ON \`$DB_NAME\`.* TO '$DB_USER'@'127.0.0.1'"
    if [ "$saved" = new ]; then
      say "The first start was cut off while tables were made. They are made anew."
    else
      db_sql --default-character-set=utf8mb4 "$DB_NAME" <"$WORK/box/database.sql"
      say "The last start was cut off while tables were changed. What was there before was put back; the change begins anew."
    fi
  elif [ "$now" -lt "$(newest_schema)" ]; then
    mkdir -p -m 700 "$1"
    if [ -z "$(tables "$DB_NAME")" ]; then
      saved=new
    else
      saved=$(backup "$1" 2>"$WORK/said") || fail "What is there could not be saved, so its tables are not changed: $(cat "$WORK/said")"
      say "Tables of version $now become those of $(newest_schema); saved before as $saved."
    fi
    printf '%s %s\n' "$(newest_schema)" "$saved" >"$marker.part"; sync -f "$marker.part"; mv "$marker.part" "$marker"
  else
    rm -f "$marker"
  fi
}

db_running || fail "The database is not running: ./clerk start (or demo) first."
case "${1:-}" in
  backup) backup "${2:?}" "${@:3}" ;;
  restore) restore "${2:?}" ;;
  verify) verify "${2:?}" ;;
  before-upgrade) before_upgrade "${2:?}" ;;
  after-upgrade) rm -f "${2:?}/upgrade-of-$DB_NAME" ;;
  *) fail "usage: backup.sh backup DIR [--encrypt] [--keep N] | restore FILE | verify FILE" ;;
esac
