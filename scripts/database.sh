# Shared by scripts/backup and scripts/restore. Sourced, never run.
. "$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)/common.sh"
need_postgres
PGBIN_RESTORE=$PGBIN/pg_restore

# from_connection: takes what PostgreSQL's own programs want out of ZYMETHOS_DB.
from_connection() {
  [ -n "${ZYMETHOS_DB:-}" ] \
    || fail "ZYMETHOS_DB is not set. It names the database: \"Host=127.0.0.1;Database=zymethos;Username=zymethos;Password=...\""
  local part name value
  PGHOST=127.0.0.1 PGPORT=5432 PGDATABASE= PGUSER= PGPASSWORD=
  while IFS= read -r -d ';' part; do
    name=${part%%=*} value=${part#*=}
    case "$(printf '%s' "$name" | tr -d ' ' | tr '[:upper:]' '[:lower:]')" in
      host|server) PGHOST=$value ;;
      port) PGPORT=$value ;;
      database|db) PGDATABASE=$value ;;
      username|userid|user) PGUSER=$value ;;
      password) PGPASSWORD=$value ;;
    esac
  done < <(printf '%s;' "$ZYMETHOS_DB")
  [ -n "$PGDATABASE" ] || fail "ZYMETHOS_DB names no database."
  export PGHOST PGPORT PGDATABASE PGUSER PGPASSWORD
}
