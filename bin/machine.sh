# Sourced by bin/start, bin/stop, bin/test and bin/bench: what this machine needs, and where things are.
# Everything made at run time is below $VAR. When started by root, whatever runs for long runs as www-data.

set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$ROOT"
VAR=${FIGPORCH_VAR:-var}
case "$VAR" in /*) ;; *) VAR="$ROOT/$VAR" ;; esac
export FIGPORCH_VAR="$VAR" COMPOSER_ALLOW_SUPERUSER=1
PG_BIN=/usr/lib/postgresql/15/bin
# A socket's path may have 107 bytes at most.
RUN="$VAR/run"
if [ ${#RUN} -gt 80 ]; then RUN="/tmp/fig-porch-$(printf %s "$VAR" | cksum | cut -d' ' -f1)"; fi

# The URW fonts stand for the 14 that a PDF need not bring (ISO 32000-2, 9.6.2.2), where Poppler draws one.
PACKAGES="php8.2-cli php8.2-fpm php8.2-pgsql php8.2-zip php8.2-curl php8.2-gd php8.2-intl php8.2-mbstring php8.2-xml
    php8.2-opcache libroaring0 nginx-light postgresql-15 supervisor ffmpeg flite poppler-utils librsvg2-bin yaz
    fonts-urw-base35 dict-wn dict-freedict-spa-eng"

say() { printf '  %s\n' "$*"; }
fail() { printf '\n  %s\n' "$@" >&2; exit 1; }

as_root() {
    if [ "$(id -u)" = 0 ]; then "$@"
    elif command -v sudo > /dev/null; then sudo "$@"
    else fail "Installing packages needs root." "Run this as root, or install sudo and run it again."
    fi
}

# Who runs what: an ordinary user runs everything; for root the application and the database run as www-data. Where
# only root may enter the checkout's folder (a home folder, say), the application runs as root, and the database, which
# never does, as www-data with leave to pass through.
DB_AS=""
APP_AS=""
if [ "$(id -u)" = 0 ]; then
    APP_AS="setpriv --reuid=www-data --regid=www-data --init-groups"
    DB_AS="$APP_AS"
    if ! $APP_AS test -r "$ROOT/artisan" 2> /dev/null; then
        APP_AS=""
        DB_AS="$DB_AS --inh-caps=+dac_read_search --ambient-caps=+dac_read_search"
    fi
fi
# shellcheck disable=SC2086
as_app() { HOME="$VAR" TMPDIR="$VAR/tmp" $APP_AS "$@"; }
# shellcheck disable=SC2086
as_db() { HOME="$VAR" TMPDIR="$VAR/tmp" $DB_AS "$@"; }

install_packages() {
    local missing="" package log
    for package in $PACKAGES "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2> /dev/null | grep -q 'ok installed' || missing="$missing $package"
    done
    [ -n "$missing" ] || return 0
    say "Installing Debian packages:$missing"
    # Debian's packages must not start services of their own: ours are started here, on loopback.
    if [ ! -e /usr/sbin/policy-rc.d ]; then
        printf '#!/bin/sh\nexit 101\n' | as_root tee /usr/sbin/policy-rc.d > /dev/null
        as_root chmod +x /usr/sbin/policy-rc.d
        trap 'as_root rm -f /usr/sbin/policy-rc.d' RETURN
    fi
    as_root apt-get -o DPkg::Lock::Timeout=600 update -qq > /dev/null ||
        fail "apt-get update did not work." "Check the network and /etc/apt/sources.list, then run this again."
    log=$(mktemp /tmp/fig-porch-apt.XXXXXX)
    # shellcheck disable=SC2086
    as_root env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=600 install -y -qq --no-install-recommends $missing \
        > "$log" 2>&1 || { tail -n 5 "$log" >&2; fail "A Debian package could not be installed; the whole log is in $log."; }
    rm -f "$log"
}

need_tools() {
    local tool
    for tool in composer node npm; do
        command -v "$tool" > /dev/null || {
            case "$tool" in composer) install_packages composer ;; *) install_packages nodejs npm ;; esac
        }
    done
    [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] ||
        fail "Node $(node --version) is too old: 20 or newer is needed." "Install a newer Node.js and run this again."
}

fingerprint() { cat "$@" 2> /dev/null | cksum; }

# Runs a step unless its inputs are what they were when it last ended well: step STAMP-FILE "what is said" FINGERPRINT COMMAND…
step() {
    local stamp=$1 words=$2 print=$3
    shift 3
    [ "$(cat "$stamp" 2> /dev/null)" = "$print" ] && return 0
    say "$words"
    "$@"
    printf '%s\n' "$print" > "$stamp"
}

install_composer() {
    local log="$VAR/log/composer.log"
    # shellcheck disable=SC2046
    composer update --no-interaction --prefer-dist --no-progress $(sed 's/^/--with=/' composer.pins) > "$log" 2>&1 || {
        say "A pinned PHP package is not to be had; taking the newest that fit instead (see $log)."
        composer update --no-interaction --prefer-dist --no-progress >> "$log" 2>&1 ||
            fail "Composer could not install the PHP packages." "Its log: $log"
    }
    chmod -R a+rX vendor
}

install_npm() {
    # Packages run nothing of their own (.npmrc); our patches are put on here.
    { npm ci --no-audit --no-fund && npx patch-package; } > "$VAR/log/npm.log" 2>&1 || fail "npm could not install the packages." "Its log: $VAR/log/npm.log"
    chmod -R a+rX node_modules
}

build_assets() {
    npx vite build > "$VAR/log/vite.log" 2>&1 || { tail -n 20 "$VAR/log/vite.log" >&2; fail "The styles and scripts could not be built."; }
    chmod -R a+rX public/build
}

prepare_folders() {
    mkdir -p "$VAR" 2> /dev/null && [ -w "$VAR" ] || fail "$VAR cannot be written." "Remove it or give it to $(id -un), then run this again."
    local free
    free=$(df -Pk "$VAR" | awk 'NR == 2 { print $4 }')
    [ "$free" -gt 800000 ] || fail "Only $((free / 1024)) MB are free on the disk that holds $VAR; 800 MB are needed." "Make room and run this again."
    mkdir -p "$VAR"/{cache,conf,log,outbox,storage/{framework/{views,cache},logs,publications},tmp} "$RUN"
    if [ "$(id -u)" = 0 ]; then
        chown -R www-data:www-data "$VAR" "$RUN"
    fi
}

install_everything() {
    install_packages "$@"
    need_tools
    prepare_folders
    step vendor/.installed "Installing PHP packages" "$(fingerprint composer.json composer.pins)" install_composer
    step node_modules/.installed "Installing npm packages" "$(fingerprint package.json package-lock.json patches/*)" install_npm
    # shellcheck disable=SC2046
    step public/build/.built "Building styles and scripts" "$(fingerprint vite.config.js package-lock.json $(find resources lang app -type f | sort))" build_assets
}

# Somebody listens there, or has it for their own end of a connection.
port_taken() {
    if (exec 3<> "/dev/tcp/127.0.0.1/$1") 2> /dev/null; then return 0; fi
    # shellcheck disable=SC2016
    command -v php > /dev/null && ! php -r 'exit((int) ! @stream_socket_server("tcp://127.0.0.1:{$argv[1]}"));' "$1"
}

free_port() {
    local port=$1
    while port_taken "$port"; do port=$((port + 1)); done
    echo "$port"
}

# Reads or sets a value of $VAR/env, the settings of this installation.
setting() { sed -n "s/^$1=//p" "$VAR/env" 2> /dev/null; }
set_setting() {
    touch "$VAR/env" && chmod 600 "$VAR/env"
    if grep -q "^$1=" "$VAR/env"; then sed -i "s|^$1=.*|$1=$2|" "$VAR/env"; else printf '%s=%s\n' "$1" "$2" >> "$VAR/env"; fi
    [ "$(id -u)" != 0 ] || chown www-data:www-data "$VAR/env"
}

secret() { head -c "$1" /dev/urandom | base64 -w 0; }

# Settings that every installation has: keys, and a port for a database of its own.
make_settings() {
    [ -n "$(setting APP_KEY)" ] || set_setting APP_KEY "base64:$(secret 32)"
    [ -n "$(setting DB_PASSWORD)" ] || set_setting DB_PASSWORD "$(secret 18 | tr -d '/+=')"
    [ -n "$(setting DB_PORT)" ] || set_setting DB_PORT "$(free_port "$1")"
}

# Where another program has taken the database's port since, the database moves to a free one.
move_database_from_taken_port() {
    port_taken "$(setting DB_PORT)" || return 0
    set_setting DB_PORT "$(free_port "$1")"
    [ ! -d "$VAR/pg" ] || as_db sed -i "s/^port = .*/port = $(setting DB_PORT)/" "$VAR/pg/postgresql.conf"
}

# For the database's buffers: as its manual advises (19.4, "a reasonable starting value ... is 25% of the memory"), within reason.
quarter_of_memory() { awk '/^MemTotal/ { m = int($2 / 4096); print (m < 128 ? 128 : m > 4096 ? 4096 : m) }' /proc/meminfo; }

# Processes that answer: three a core, since they also wait for the database; as the memory allows, and its connections.
web_workers() {
    awk -v cores="$(nproc)" '/^MemTotal/ { n = 3 * cores; m = int($2 / 262144); n = n > m ? m : n; print (n < 4 ? 4 : n > 48 ? 48 : n) }' /proc/meminfo
}

make_cluster() {
    [ ! -s "$VAR/pg/PG_VERSION" ] || return 0
    say "Making a PostgreSQL cluster in ${VAR#"$ROOT/"}/pg"
    rm -rf "$VAR/pg"
    as_db sh -c 'umask 077; printf "%s\n" "$1" > "$2/pgpass"' sh "$(setting DB_PASSWORD)" "$VAR"
    as_db "$PG_BIN/initdb" -D "$VAR/pg" -U figporch --auth=scram-sha-256 --pwfile="$VAR/pgpass" --encoding=UTF8 --locale=C.UTF-8 \
        > "$VAR/log/initdb.log" 2>&1 || { tail -n 5 "$VAR/log/initdb.log" >&2; fail "PostgreSQL could not make its cluster."; }
    rm -f "$VAR/pgpass"
    # shellcheck disable=SC2016
    as_db sh -c 'cat >> "$1/pg/postgresql.conf"' sh "$VAR" << CONF
listen_addresses = '127.0.0.1'
port = $(setting DB_PORT)
unix_socket_directories = ''
timezone = 'UTC'
log_timezone = 'UTC'
max_connections = 80
shared_buffers = $(quarter_of_memory)MB
effective_cache_size = $((2 * $(quarter_of_memory)))MB
work_mem = 64MB
max_wal_size = 4GB
checkpoint_timeout = 15min
jit = off
max_parallel_workers_per_gather = 0
${1:-}
CONF
}

psql_app() { PGPASSWORD="$(setting DB_PASSWORD)" psql -h 127.0.0.1 -p "$(setting DB_PORT)" -U figporch -v ON_ERROR_STOP=1 -qAt "$@"; }

wait_for_database() {
    local i
    for i in $(seq 1 300); do
        if psql_app -d postgres -c 'select 1' > /dev/null 2>&1; then return 0; fi
        sleep 0.1
    done
    tail -n 5 "$VAR/log/postgres.log" >&2 || true
    fail "PostgreSQL did not come up within 30 seconds." "Its log: $VAR/log/postgres.log"
}

make_database() {
    [ "$(psql_app -d postgres -c "select 1 from pg_database where datname = '$1'")" = 1 ] || psql_app -d postgres -c "create database $1"
}

# Stops a PostgreSQL that an earlier, crashed run left behind on our data.
stop_stray_database() {
    if [ -s "$VAR/pg/postmaster.pid" ] && as_db "$PG_BIN/pg_ctl" status -D "$VAR/pg" > /dev/null 2>&1; then
        say "Stopping a PostgreSQL that was left running"
        as_db "$PG_BIN/pg_ctl" stop -D "$VAR/pg" -m fast -w > /dev/null 2>&1 ||
            fail "A PostgreSQL holds $VAR/pg and does not stop." "End process $(head -n 1 "$VAR/pg/postmaster.pid") and run this again."
    fi
}

# Stops what a crashed supervisor left running: processes that it had started for this $VAR.
stop_strays() {
    local process environment pid strays=""
    stop_stray_database
    for process in /proc/[0-9]*; do
        environment=$({ tr '\0' '\n' < "$process/environ"; } 2> /dev/null || true)
        if grep -qx "FIGPORCH_VAR=$VAR" <<< "$environment" && grep -q '^SUPERVISOR_ENABLED=' <<< "$environment"; then
            strays="$strays ${process#/proc/}"
        fi
    done
    # nginx and php-fpm write their titles over their environment, but have their logs open.
    for pid in $(find /proc/[0-9]*/fd -lname "$VAR/log/*" 2> /dev/null | cut -d/ -f3 | sort -u); do strays="$strays $pid"; done
    [ -n "$strays" ] || return 0
    say "Stopping processes that an earlier run left behind"
    # shellcheck disable=SC2086
    kill $strays 2> /dev/null || true
    sleep 1
    # shellcheck disable=SC2086
    kill -9 $strays 2> /dev/null || true
}

supervisor_runs() { [ -S "$RUN/supervisor.sock" ] && as_app supervisorctl -c "$VAR/conf/supervisord.conf" pid > /dev/null 2>&1; }
