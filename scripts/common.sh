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

# The newest PostgreSQL's own folder of programs; fails if there is none.
pg_bin() {
    local newest
    newest=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1)
    [ -n "$newest" ] && [ -x "$newest/initdb" ] && echo "$newest"
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
