# Shared by run, check and the scripts: what must be installed, and how PostgreSQL is called. Sourced, not run.

# Installs Debian packages for commands that are missing, or prints the one line that would.
# usage: need "command=package" ...
need() {
    local missing=() pair
    for pair in "$@"; do
        command -v "${pair%%=*}" >/dev/null 2>&1 || missing+=("${pair##*=}")
    done
    pg_bin >/dev/null || missing+=(postgresql)
    [ ${#missing[@]} = 0 ] && return
    mapfile -t missing < <(printf '%s\n' "${missing[@]}" | sort -u)
    local line="apt-get install -y --no-install-recommends ${missing[*]}"
    local sudo=()
    if [ "$(id -u)" != 0 ]; then
        if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
            sudo=(sudo)
        else
            echo "These packages are missing. Run this line, then start again:" >&2
            echo "    sudo $line" >&2
            exit 1
        fi
    fi
    echo "Installing ${missing[*]} from Debian's packages …"
    export DEBIAN_FRONTEND=noninteractive
    if ! "${sudo[@]}" $line >/tmp/even-sheen-install.log 2>&1; then
        "${sudo[@]}" apt-get update >/tmp/even-sheen-install.log 2>&1 || true
        "${sudo[@]}" $line >>/tmp/even-sheen-install.log 2>&1 || {
            tail -20 /tmp/even-sheen-install.log >&2
            echo "Installing failed. As root: $line" >&2
            exit 1
        }
    fi
}

# PostgreSQL's own folder of programs: of the version that PG_VERSION_WANTED names, else the newest; fails if there is none.
pg_bin() {
    local found
    if [ -n "${PG_VERSION_WANTED:-}" ]; then
        found=/usr/lib/postgresql/$PG_VERSION_WANTED/bin
    else
        found=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1)
    fi
    [ -n "$found" ] && [ -x "$found/initdb" ] && echo "$found"
}

# Says one line and ends.
refuse() {
    echo "$*" >&2
    exit 1
}

# Looks at the folder of a database before anything touches it; prints "whole" or "none", or refuses with the remedy. Nothing is ever removed.
# usage: pg_look HOME
pg_look() {
    local home=$1 data=$1/postgres
    if pg_as test -f "$data/PG_VERSION"; then
        [ -s "$home/db-password" ] || refuse "The password of the database is missing: $home/db-password. Put it back from a copy of this folder, or give the database another one with: ./run --new-password"
        echo whole
    elif [ -e "$data" ] && [ -n "$(ls -A "$data" 2>&1)" ]; then
        refuse "$data is not empty and holds no whole database (PG_VERSION is missing or can't be read). Nothing was touched. If a copy is being brought back, let it finish; if a disk belongs there, mount it; else move this folder elsewhere and start again."
    elif [ -e "$home/db-password" ]; then
        refuse "There was a database in $home, and its folder $data is gone. Nothing was touched. If a disk belongs there, mount it; if it was moved, move it back. To begin anew, or to bring a backup back, remove $home/db-password first."
    else
        echo none
    fi
}

# Makes a database in a folder of its own beside the place and moves it there when it is whole, so that a start that is killed leaves nothing half.
# usage: pg_make HOME
pg_make() {
    local home=$1 begun secret
    begun=$(mktemp -d "$home/postgres-begun-XXXXXX")
    chmod 700 "$begun" && pg_own "$begun"
    (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=' > "$home/db-password")
    secret=$(mktemp) && cat "$home/db-password" > "$secret" && pg_own "$secret"
    if ! pg_as "$(pg_bin)/initdb" -D "$begun" -U even_sheen -A scram-sha-256 --pwfile="$secret" -E UTF8 --locale=C.UTF-8 >"$home/initdb.log" 2>&1; then
        rm -f "$secret" "$home/db-password"
        refuse "The database could not be made in $home: $(tail -1 "$home/initdb.log")"
    fi
    rm -f "$secret"
    if [ -d "$home/postgres" ]; then rmdir "$home/postgres"; fi
    mv -T "$begun" "$home/postgres"
}

# Gives the database of a home another password, by the right of who owns its files. usage: pg_new_password HOME
pg_new_password() {
    local home=$1 password
    password=$(head -c 24 /dev/urandom | base64 | tr -d '/+=')
    echo "alter role even_sheen password '$password'" | pg_as "$(pg_bin)/postgres" --single -D "$home/postgres" postgres >/dev/null 2>"$home/password.log" \
        || refuse "The password could not be set: $(tail -1 "$home/password.log")"
    (umask 077 && echo "$password" > "$home/db-password")
}

# Runs a PostgreSQL program as a user that PostgreSQL accepts: never root.
pg_as() {
    if [ "$(id -u)" = 0 ]; then
        (cd / && exec runuser -u postgres -- "$@")
    else
        "$@"
    fi
}

# Gives a folder to the user that PostgreSQL runs as.
pg_own() {
    if [ "$(id -u)" = 0 ]; then chown postgres "$@"; fi
}

# Starts a cluster on a free loopback port and prints the port. usage: pg_start DATA PREFERRED_PORT [more options]
pg_start() {
    local data=$1 port=$2 attempt
    shift 2
    for attempt in 1 2 3 4 5 6; do
        if pg_as "$(pg_bin)/pg_ctl" -D "$data" -l "$data/server.log" -w -t 60 \
            -o "-c listen_addresses=127.0.0.1 -c unix_socket_directories='' -p $port $*" start >/dev/null 2>&1; then
            echo "$port"
            return
        fi
        port=$((20000 + RANDOM % 30000))
    done
    echo "PostgreSQL did not start:" >&2
    pg_as tail -20 "$data/server.log" >&2
    return 1
}

pg_stop() {
    pg_as "$(pg_bin)/pg_ctl" -D "$1" -m "${2:-fast}" -w stop >/dev/null 2>&1 || true
}

# Whether something listens on a loopback port.
listening() {
    (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null
}
