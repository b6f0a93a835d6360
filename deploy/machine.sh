# Shared by bin/start and bin/test: what a machine needs, and a private PostgreSQL cluster.
# Sourced by bash with ROOT set to the clone.

PG_BIN=/usr/lib/postgresql/15/bin
PACKAGES=(php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-curl php8.2-intl php8.2-zip php8.2-opcache php8.2-apcu php8.2-gd
  postgresql-15 nginx-light chromium unzip composer nodejs procps openssl)

say() { printf '\033[32m·\033[0m %s\n' "$*"; }
die() { printf 'hollin: %s\n' "$*" >&2; exit 1; }

is_root() { [ "$(id -u)" = 0 ]; }

# Runs a command as an unprivileged user when root.
as_user() {
  local user=$1; shift
  if is_root; then setpriv --reuid="$user" --regid="$user" --init-groups "$@"; else "$@"; fi
}

# PostgreSQL's programs want a working directory their user may enter.
as_postgres() { (cd / && as_user postgres "$@"); }

missing_packages() {
  local p
  for p in "$@"; do
    case $p in
      composer) command -v composer >/dev/null || echo "$p" ;;
      nodejs) { command -v node >/dev/null && command -v npm >/dev/null; } || echo 'nodejs npm' ;;
      *) dpkg-query -W -f '${db:Status-Status}' "$p" 2>/dev/null | grep -qx installed || echo "$p" ;;
    esac
  done
}

install_packages() {
  local missing sudo=''
  missing=$(missing_packages "$@" | tr '\n' ' ')
  [ -z "$missing" ] && return 0
  if ! is_root; then
    if sudo -n true 2>/dev/null; then sudo=sudo; else
      die "these Debian packages are missing: $missing
Run this once, then start again:
  sudo apt-get update && sudo apt-get install -y --no-install-recommends $missing"
    fi
  fi
  say "installing Debian packages: $missing"
  # Debian would start its own servers; ours are private.
  $sudo apt-get update -q >/dev/null || die 'apt-get update failed.'
  # shellcheck disable=SC2086
  $sudo env DEBIAN_FRONTEND=noninteractive RUNLEVEL=1 apt-get install -y -q --no-install-recommends $missing >/dev/null || die "installing $missing failed."
}

# The interface is built with Node.js 20 or newer. Debian 12's own is older: then a newer one comes
# as a package of the npm registry and stays inside this copy.
NODE_PACKAGE_VERSION=22.23.3
ensure_node() {
  node -e 'process.exit(Number(process.versions.node.split(".")[0]) < 20 ? 1 : 0)' 2>/dev/null && return 0
  local arch; case $(uname -m) in x86_64) arch=x64 ;; aarch64) arch=arm64 ;; *) die "Node.js 20 or newer is needed; for $(uname -m) install it by hand." ;; esac
  local place="$ROOT/storage/hollin/node" bin
  bin="$place/node_modules/node-linux-$arch/bin"
  if [ ! -x "$bin/node" ]; then
    say "installing Node.js $NODE_PACKAGE_VERSION for this copy"
    mkdir -p "$place"
    npm install --silent --no-audit --no-fund --prefix "$place" "node-linux-$arch@$NODE_PACKAGE_VERSION" >/dev/null || die 'Node.js 20 or newer is needed and could not be installed; install it by hand, then start again.'
  fi
  PATH="$bin:$PATH"; export PATH
}

stamp() { cat "$@" 2>/dev/null | sha256sum | cut -c1-32; }

install_php() {
  local want; want=$(stamp "$ROOT/composer.json" "$ROOT/composer.pins")
  [ -f "$ROOT/vendor/.hollin" ] && [ "$(cat "$ROOT/vendor/.hollin")" = "$want" ] && return 0
  say 'installing PHP packages'
  (cd "$ROOT" && COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --quiet $(sed 's/^/--with=/' composer.pins)) || die 'Composer failed; see above.'
  chmod -R o+rX "$ROOT/vendor"
  echo "$want" >"$ROOT/vendor/.hollin"
}

install_js() {
  ensure_node
  local want; want=$(stamp "$ROOT/package.json" "$ROOT/package-lock.json")
  if [ ! -f "$ROOT/node_modules/.hollin" ] || [ "$(cat "$ROOT/node_modules/.hollin")" != "$want" ]; then
    say 'installing front-end packages'
    (cd "$ROOT" && PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --silent --no-audit --no-fund) || die 'npm ci failed; see above.'
    echo "$want" >"$ROOT/node_modules/.hollin"
  fi
  cp "$ROOT/node_modules/@zxcvbn-ts/language-common/src/passwords.json" "$ROOT/bootstrap/cache/common-passwords.json" || die 'the list of common passwords is missing.'
  # The interface's API types are made from the API's description, never kept.
  if [ ! -f "$ROOT/resources/js/api/schema.d.ts" ] || [ "$ROOT/docs/openapi.json" -nt "$ROOT/resources/js/api/schema.d.ts" ]; then
    (cd "$ROOT" && npm run -s api >/dev/null 2>&1) || die 'the API types could not be made from docs/openapi.json.'
  fi
  want=$( (cd "$ROOT" && find resources/js resources/views vite.config.ts package-lock.json -type f -print0 | sort -z | xargs -0 cat) | sha256sum | cut -c1-32)
  if [ ! -f "$ROOT/public/build/.hollin" ] || [ "$(cat "$ROOT/public/build/.hollin")" != "$want" ]; then
    say 'building the interface'
    (cd "$ROOT" && npx vite build --logLevel error) || die 'the interface did not build; see above.'
    echo "$want" >"$ROOT/public/build/.hollin"
  fi
}

free_port() { # first free port at or above $1
  php -r '$p=(int)$argv[1]; while($p<65000){$s=@stream_socket_server("tcp://".$argv[2].":".$p); if($s){fclose($s);echo $p;exit;} $p++;} exit(1);' "$1" "${2:-127.0.0.1}"
}

# Where a user other than root can live: inside the clone when it is reachable, else under /var/lib.
state_dir() { # $1 name
  local inside="$ROOT/storage/hollin/$1"
  if ! is_root; then echo "$inside"; return; fi
  if as_user postgres test -x "$ROOT/storage" 2>/dev/null && as_user www-data test -r "$ROOT/artisan" 2>/dev/null; then echo "$inside"; return; fi
  echo "/var/lib/hollin-$(printf %s "$ROOT" | sha256sum | cut -c1-10)/$1"
}

# Makes a cluster in $1/pg where there is none; sets DB_PASSWORD, PG_DATA, PG_SOCKET. $2 = tests for a throwaway one.
cluster_make() {
  local base=$1 kind=${2:-kept}
  PG_DATA="$base/pg/data" PG_SOCKET="$base/pg/run"
  mkdir -p "$base/pg" "$PG_SOCKET"
  is_root && chown postgres: "$base/pg" "$PG_SOCKET"
  chmod 700 "$base/pg" "$PG_SOCKET"
  [ -s "$base/pg.secret" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=' >"$base/pg.secret")
  DB_PASSWORD=$(cat "$base/pg.secret")
  # A cluster that was not made to its end is none: it is made beside and put in its place whole.
  if [ ! -f "$PG_DATA/PG_VERSION" ]; then
    rm -rf "$PG_DATA" "$PG_DATA.new"
    local pw; pw=$(mktemp); printf %s "$DB_PASSWORD" >"$pw"; is_root && chown postgres "$pw"
    as_postgres "$PG_BIN/initdb" -D "$PG_DATA.new" -U hollin --auth=scram-sha-256 --pwfile="$pw" -E UTF8 --locale=C.UTF-8 $([ "$kind" = tests ] && echo --no-sync) >/dev/null || die 'PostgreSQL could not make its cluster.'
    rm -f "$pw"
    [ "$kind" = tests ] && as_postgres sh -c "printf '%s\n' 'fsync=off' 'synchronous_commit=off' 'full_page_writes=off' 'wal_level=minimal' 'max_wal_senders=0' >>'$PG_DATA.new/postgresql.conf'"
    mv "$PG_DATA.new" "$PG_DATA"
  fi
  # A socket path longer than 107 bytes is refused: then TCP on loopback alone.
  [ "${#PG_SOCKET}" -gt 80 ] && PG_SOCKET=''
  return 0
}

# What the cluster's server is started with; DB_PORT is set. A test is one transaction from its first line to its last, so
# there the time between two statements is that of the machine.
cluster_options() {
  local idle=30s; [ "${1:-kept}" = tests ] && idle=0
  printf '%s\n' -c listen_addresses=127.0.0.1 -c "port=$DB_PORT" -c "unix_socket_directories=$PG_SOCKET" -c max_connections=60 \
    -c statement_timeout=20s -c lock_timeout=10s -c "idle_in_transaction_session_timeout=$idle"
}

# Starts a cluster in $1/pg; sets DB_PORT, DB_PASSWORD, PG_DATA. $2 = tests for a throwaway one.
cluster_start() {
  local base=$1 try
  cluster_make "$@"
  cluster_stop
  for try in 1 2 3; do
    DB_PORT=$(free_port $((20000 + RANDOM % 20000)))
    # Nothing of ours is handed on: a server that kept the lock open would hold it for ever.
    if as_postgres "$PG_BIN/pg_ctl" -D "$PG_DATA" -l "$base/pg/server.log" -w -t 60 -s -o "$(cluster_options "${2:-kept}" | sed "s/=\$/=''/" | tr '\n' ' ')" start 9>&-; then return 0; fi
  done
  die "PostgreSQL did not start; its log is $base/pg/server.log"
}

# The server of PG_DATA, if one runs: a number in a file is not enough, another program may have it by now.
cluster_pid() {
  local pid; pid=$(head -n 1 "${PG_DATA:-/nowhere}/postmaster.pid" 2>/dev/null) || return 1
  [[ $pid =~ ^[0-9]+$ ]] && { tr "\0" " " <"/proc/$pid/cmdline"; } 2>/dev/null | grep -qF -- "-D $PG_DATA" && echo "$pid"
}

# Stops the cluster: asks it, then insists, then takes it away. What it has acknowledged is in its log all the same.
cluster_stop() {
  local pid how
  [ -n "${PG_DATA:-}" ] || return 0
  for how in fast immediate; do
    pid=$(cluster_pid) || return 0
    timeout -k 5 30 bash -c "$(declare -f is_root as_user as_postgres); as_postgres '$PG_BIN/pg_ctl' -D '$PG_DATA' -s -m $how -w -t 20 stop" >/dev/null 2>&1 9>&- || true
  done
  pid=$(cluster_pid) || return 0
  pkill -KILL -P "$pid" 2>/dev/null || true
  kill -KILL "$pid" 2>/dev/null || true
  for how in 1 2 3 4 5 6 7 8 9 10; do kill -0 "$pid" 2>/dev/null || return 0; sleep 0.2; done
}
