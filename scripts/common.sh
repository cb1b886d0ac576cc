# Shared by ./start and ./test. Sourced, never run.

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }

is_root() { [ "$(id -u)" -eq 0 ]; }

# Installs Debian packages, as root or through sudo. Says what to do when neither works.
install_packages() {
  local with=""
  if ! is_root; then
    command -v sudo >/dev/null 2>&1 || fail "These Debian packages are missing: $*. Install them as root: apt-get install $*"
    with="sudo"
  fi
  command -v apt-get >/dev/null 2>&1 \
    || fail "These packages are missing and this is not a Debian machine: $*. Install them and run this again."
  say "Installing $* ..."
  local log
  log=$(mktemp)
  if ! { $with apt-get update -qq \
    && DEBIAN_FRONTEND=noninteractive $with apt-get install -y -qq --no-install-recommends "$@"; } >"$log" 2>&1; then
    tail -n 5 "$log" >&2
    rm -f "$log"
    fail "Installing $* did not work; the lines above say why."
  fi
  rm -f "$log"
}

need_dotnet() {
  command -v dotnet >/dev/null 2>&1 || fail "The .NET 10 SDK is missing: there is no 'dotnet' on the path."
  dotnet --version >/dev/null 2>&1 || fail "The .NET SDK found here is too old: version 10.0.100 or later is needed (global.json)."
}

# Sets PGBIN to the newest installed server, installing one if there is none.
need_postgres() {
  PGBIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -z "$PGBIN" ] || [ ! -x "$PGBIN/initdb" ]; then
    install_packages postgresql
    PGBIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  fi
  [ -x "$PGBIN/initdb" ] || fail "PostgreSQL's server programs were not found under /usr/lib/postgresql."
}

# PostgreSQL refuses to run as root, so root hands over to the account that Debian's package makes.
as_db() {
  if is_root; then
    (cd / && exec setpriv --reuid=postgres --regid=postgres --init-groups env HOME=/tmp "$@")
  else
    "$@"
  fi
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local port=$1
  while port_taken "$port"; do port=$((port + 1)); done
  printf '%s' "$port"
}

# make_cluster FOLDER PASSWORD [initdb options]: builds beside its final place and moves it there whole, so that a cluster is never half
# made. The application's role, zymethos, owns its own databases and may do nothing else; the superuser, keeper, has a password that nobody
# keeps (whoever owns the files can give it another).
make_cluster() {
  local folder=$1 password=$2 log pwfile
  shift 2
  rm -rf "$folder.new"
  pwfile=$(mktemp)
  log=$(mktemp)
  (umask 077; head -c 24 /dev/urandom | base64 >"$pwfile")
  mkdir -p "$folder.new"
  if is_root; then chown postgres "$folder.new" "$pwfile"; fi
  chmod 700 "$folder.new"
  if ! as_db "$PGBIN/initdb" -D "$folder.new" -U keeper --pwfile="$pwfile" \
    --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 "$@" >"$log" 2>&1; then
    tail -n 3 "$log" >&2
    rm -rf "$pwfile" "$log" "$folder.new"
    return 1
  fi
  if ! printf "CREATE ROLE zymethos LOGIN CREATEDB NOSUPERUSER NOCREATEROLE NOREPLICATION PASSWORD '%s'\n" "$password" |
    as_db "$PGBIN/postgres" --single -j -D "$folder.new" postgres >"$log" 2>&1 || grep -q ERROR "$log"; then
    tail -n 3 "$log" >&2
    rm -rf "$pwfile" "$log" "$folder.new"
    return 1
  fi
  rm -f "$pwfile" "$log"
  mv "$folder.new" "$folder"
}

# start_cluster FOLDER PORT [settings]
start_cluster() {
  local folder=$1 port=$2 extra=${3:-}
  as_db "$PGBIN/pg_ctl" start -D "$folder" -w -t 60 -s -l "$folder/server.log" \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $extra" </dev/null >/dev/null 2>&1
}

stop_cluster() { as_db "$PGBIN/pg_ctl" stop -D "$1" -m fast -w -t 30 -s >/dev/null 2>&1 || true; }
