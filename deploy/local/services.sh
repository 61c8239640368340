# shellcheck shell=bash
# One instance: a directory with its own database, PHP-FPM, nginx, queue worker and scheduler, all on loopback.
# Sourced after install.sh. Needs: root (the project), home (the instance), port.

pids=()
unix_user=$(id -un)

port_is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

wait_for() { # seconds, what, command…
    local tries=$(($1 * 10)) what=$2
    shift 2
    until "$@" >/dev/null 2>&1; do
        tries=$((tries - 1))
        [ "$tries" -gt 0 ] || fail "$what did not start; see $home/log"
        sleep 0.1
    done
}

# Starts a program in its own session, so that Ctrl-C reaches this script first, and remembers it.
start() { # name, command…
    local name=$1
    shift
    setsid "$@" >>"$home/log/$name.log" 2>&1 </dev/null &
    pids+=($!)
}

stop_services() {
    local index
    for ((index = ${#pids[@]} - 1; index >= 0; index--)); do
        kill -TERM "${pids[index]}" 2>/dev/null || true
    done
    for ((index = ${#pids[@]} - 1; index >= 0; index--)); do
        wait "${pids[index]}" 2>/dev/null || true
    done
    pids=()
}

sql() { mariadb --no-defaults --socket="$home/run/mariadb.sock" --user="$unix_user" "$@"; }

start_database() {
    mkdir -p "$home"/{run,log,tmp}
    if [ ! -d "$home/mysql/mysql" ]; then
        say 'Preparing the database'
        mariadb-install-db --no-defaults --datadir="$home/mysql" --user="$unix_user" \
            --auth-root-authentication-method=socket --auth-root-socket-user="$unix_user" --skip-test-db \
            >"$home/log/mariadb-install.log" 2>&1 || fail "MariaDB could not prepare its data; see $home/log/mariadb-install.log"
    fi
    start mariadb mariadbd --no-defaults --datadir="$home/mysql" --user="$unix_user" --socket="$home/run/mariadb.sock" \
        --pid-file="$home/run/mariadb.pid" --skip-networking --tmpdir="$home/tmp" \
        --innodb-buffer-pool-size="${ROTA_BUFFER_POOL:-256M}" --innodb-adaptive-hash-index=ON --innodb-flush-log-at-trx-commit="${ROTA_FLUSH:-1}" \
        --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci
    wait_for 60 MariaDB sql -e 'SELECT 1'
}

ensure_schema() { # name
    sql -e "CREATE DATABASE IF NOT EXISTS \`$1\`; CREATE USER IF NOT EXISTS 'rota'@'localhost' IDENTIFIED BY 'rota'; GRANT ALL ON \`$1\`.* TO 'rota'@'localhost';"
}

# Whether a database was laid by the migrations before they were squashed into one set (version 0.9).
is_former_database() { # name
    [ "$(sql -N -e "SELECT COUNT(*) FROM \`$1\`.migrations WHERE migration LIKE '2026_01_01_%'" 2>/dev/null || echo 0)" -gt 0 ]
}

write_environment() { # schema, extra lines
    local key
    mkdir -p "$home"/cache "$home"/storage/{app,logs,framework/views,framework/cache}
    if [ ! -f "$home/key" ]; then
        key="base64:$(head -c 32 /dev/urandom | base64 -w0)"
        printf '%s' "$key" >"$home/key"
        chmod 600 "$home/key"
    fi
    cat >"$home/.env" <<ENV
APP_ENV=production
APP_KEY=$(cat "$home/key")
APP_URL=http://127.0.0.1:$port
DB_SOCKET=$home/run/mariadb.sock
DB_DATABASE=$1
DB_USERNAME=rota
DB_PASSWORD=rota
MAIL_HOST=127.0.0.1
MAIL_PORT=$((port + 2))
ROTA_LIVE_PUBLISHER=http://127.0.0.1:$((port + 3))
MAIL_FROM_ADDRESS=rota@skerrin-quay.example
$2
ENV
    chmod 640 "$home/.env"
    # What was cached of another configuration holds no more.
    rm -rf "${home:?}"/cache/*
}

artisan() { ROTA_HOME="$home" php "$root/artisan" "$@"; }

fill() { sed -e "s#@root@#$root#g; s#@home@#$home#g; s#@port@#$port#g; s#@standins@#$((port + 1))#g; s#@live@#$((port + 3))#g; s#@user@#$unix_user#g" "$1" >"$2"; }

start_web() {
    artisan config:cache --quiet
    artisan route:cache --quiet
    fill "$root/deploy/local/nginx.conf" "$home/nginx.conf"
    fill "$root/deploy/local/php-fpm.conf" "$home/php-fpm.conf"
    mkdir -p "$home/tmp/nginx"
    local as_root=() directives='daemon off;'
    if [ "$(id -u)" -eq 0 ]; then
        as_root=(--allow-to-run-as-root)
        directives="$directives user root;"
    fi
    start php-fpm php-fpm8.2 --nodaemonize --fpm-config "$home/php-fpm.conf" -c "$root/deploy/php.ini" "${as_root[@]}"
    start nginx nginx -p "$home" -c "$home/nginx.conf" -e "$home/log/nginx-error.log" -g "$directives"
    wait_for 30 'the web server' curl -fsS "http://127.0.0.1:$port/api/v1/health"
}

start_mail_server() { start mail php "$root/standins/mail-server.php" "$((port + 2))" "$home/mail"; }

# A worker of the queue; where it ends, another takes its place.
keep_working() { # name, queues, seconds between two looks
    start "queue-$1" bash "$root/deploy/local/keep.sh" env ROTA_HOME="$home" \
        php "$root/artisan" queue:work --queue="$2" --sleep="$3" --tries=1 --memory=512 --max-time=3600 --quiet
}

start_workers() {
    local worker
    # Letters; long work; and three for what waits for other people's servers, what somebody waits for first.
    keep_working letters default 1
    keep_working work work 0.5
    for worker in 1 2 3; do keep_working "fetch-$worker" fetch-now,fetch 0.5; done
    start schedule bash "$root/deploy/local/keep.sh" env ROTA_HOME="$home" php "$root/artisan" schedule:work --quiet
}
