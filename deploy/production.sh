# shellcheck shell=bash
# What install, upgrade, backup, restore and remove share: what an instance was told, and the ways to its parts.
# Sourced. ROTA_PREFIX is another root for all that is written, such as that of a test.
set -euo pipefail
umask 022

prefix=${ROTA_PREFIX:-}
deploy=$(cd "$(dirname "${BASH_SOURCE[0]}")" && pwd)
readonly php_version=8.2
readonly unit_names=(letters work fetch@1 fetch@2 fetch@3 schedule)
# All that may be said, in this order; README of it is deploy/answers.example.
readonly answer_keys=(
    HOST PORT HTTP_PORT LISTEN CERTIFICATE CERTIFICATE_KEY TIMEZONE ADMINISTRATOR_NAME ADMINISTRATOR_ADDRESS
    MAIL_HOST MAIL_PORT MAIL_USERNAME MAIL_PASSWORD MAIL_FROM TRUSTED_PROXIES
    CODE INSTANCE BACKUPS DATABASE DATABASE_USER DATABASE_SOCKET LIVE_PORT SERVICES
)
declare -A answer=()

say() { printf '\033[2m%s\033[0m %s\n' "$(date +%H:%M:%S)" "$*"; }
fail() { printf 'Error: %s\n' "$*" >&2; exit 1; }

needs_root() { [ "$(id -u)" -eq 0 ] || fail 'this is done as root: it writes where only root may.'; }

# An instance is called by a name, after which its site, its pools and its units are called, too.
named() { # name
    [[ $1 =~ ^[a-z][a-z0-9-]{0,30}$ ]] || fail "“$1” is no name for an instance: small letters, digits and hyphens."
    answer[NAME]=$1
    kept=$prefix/etc/pinned-rota/$1.conf
    laid=$prefix/etc/pinned-rota/$1.laid
}

# KEY=value lines; quotes around a value are taken off. Nothing is run.
read_answers() { # file
    local line key value number=0
    while IFS= read -r line || [ -n "$line" ]; do
        number=$((number + 1))
        [[ $line =~ ^[[:space:]]*(#.*)?$ ]] && continue
        [[ $line =~ ^([A-Z_]+)=(.*)$ ]] || fail "line $number of $1 is no KEY=value."
        key=${BASH_REMATCH[1]} value=${BASH_REMATCH[2]}
        [[ " ${answer_keys[*]} " == *" $key "* ]] || fail "line $number of $1: there is no $key. What there is: ${answer_keys[*]}"
        [[ $value =~ ^\"(.*)\"$ || $value =~ ^\'(.*)\'$ ]] && value=${BASH_REMATCH[1]}
        answer[$key]=$value
    done <"$1"
}

# What nobody needs to be asked for.
default_answers() {
    local name=${answer[NAME]}
    : "${answer[PORT]:=443}" "${answer[HTTP_PORT]:=80}" "${answer[MAIL_PORT]:=587}" "${answer[LIVE_PORT]:=8031}" "${answer[SERVICES]:=systemctl}"
    : "${answer[CODE]:=$prefix/srv/$name}" "${answer[INSTANCE]:=$prefix/var/lib/$name}" "${answer[BACKUPS]:=$prefix/var/backups/$name}"
    : "${answer[DATABASE]:=${name//-/_}}" "${answer[DATABASE_USER]:=${name//-/_}}" "${answer[DATABASE_SOCKET]:=/run/mysqld/mysqld.sock}"
    local key
    for key in "${answer_keys[@]}"; do : "${answer[$key]:=}"; done
    [ -z "${answer[LISTEN]}" ] || answer[LISTEN]=${answer[LISTEN]%:}:
    answer[PREFIX]=$prefix
    answer[URL]=https://${answer[HOST]}
    [ "${answer[PORT]}" = 443 ] || answer[URL]+=:${answer[PORT]}
}

# What an instance was told when it was installed.
read_instance() { # name
    named "$1"
    [ -f "$kept" ] || fail "there is no instance called “$1” ($kept): deploy/install makes one."
    read_answers "$kept"
    default_answers
    # Whoever runs it must be able to enter the folder that this stands in.
    cd /
    exec 8>"$kept.lock"
    flock -n 8 || fail 'another of these commands runs for this instance.'
}

keep_answers() {
    install -d -m 755 "$(dirname "$kept")"
    local key
    (
        umask 077
        printf '# What %s was told; deploy/install asks for it anew where a line is taken out.\n' "${answer[NAME]}"
        for key in "${answer_keys[@]}"; do
            [ "$key" = LISTEN ] && printf 'LISTEN=%s\n' "${answer[LISTEN]%:}" || printf '%s=%s\n' "$key" "${answer[$key]}"
        done
    ) >"$kept.new"
    chmod 600 "$kept.new"
    mv "$kept.new" "$kept"
}

fill() { # template
    local text key
    text=$(<"$1")
    for key in NAME PREFIX URL "${answer_keys[@]}"; do text=${text//@$key@/"${answer[$key]}"}; done
    printf '%s\n' "$text"
}

# Writes a file of configuration, but none over one that was changed by hand since: what is new is put beside it.
lay() { # path, text
    local path=$1 sum
    install -d -m 755 "$(dirname "$path")"
    sum=$(printf '%s\n' "$2" | sha256sum | cut -d' ' -f1)
    touch "$laid"
    if [ -f "$path" ] && [ "$(sha256sum <"$path" | cut -d' ' -f1)" != "$sum" ] && ! grep -qF "$(sha256sum <"$path" | cut -d' ' -f1) $path" "$laid"; then
        printf '%s\n' "$2" >"$path.new"
        say "  $path was changed by hand: it stays, and what is new stands in $path.new"
        return
    fi
    printf '%s\n' "$2" >"$path"
    grep -vF " $path" "$laid" >"$laid.new" || true
    printf '%s %s\n' "$sum" "$path" >>"$laid.new"
    mv "$laid.new" "$laid"
}

lay_configuration() { # the release it is taken from
    local from=$1/deploy unit
    say "nginx: the site ${answer[URL]}, which tells open browsers of changes, too"
    lay "$prefix/etc/nginx/conf.d/pinned-rota.conf" "$(<"$from/nginx/shared.conf")"
    lay "$prefix/etc/nginx/sites-available/${answer[NAME]}" "$(fill "$from/nginx/site.conf")"
    install -d "$prefix/etc/nginx/sites-enabled"
    ln -sfn "$prefix/etc/nginx/sites-available/${answer[NAME]}" "$prefix/etc/nginx/sites-enabled/${answer[NAME]}"
    raise_connections "$prefix/etc/nginx/nginx.conf"
    say 'PHP-FPM: the pools of the site, and settings of PHP for the web'
    lay "$prefix/etc/php/$php_version/fpm/pool.d/${answer[NAME]}.conf" "$(fill "$from/php-fpm/pool.conf")"
    lay "$prefix/etc/php/$php_version/fpm/conf.d/90-pinned-rota.ini" "$(<"$from/php.ini")"
    say 'Units: letters, long work, three that fetch, and the scheduler'
    for unit in letters work fetch@ schedule; do
        lay "$prefix/etc/systemd/system/${answer[NAME]}-$unit.service" "$(fill "$from/systemd/$unit.service")"
    done
}

# Each open browser keeps a connection, so nginx needs more than Debian gives it.
raise_connections() { # nginx.conf
    local now
    now=$(sed -n 's/^[[:space:]]*worker_connections[[:space:]]*\([0-9]*\);.*/\1/p' "$1" | head -1)
    [ "${now:-0}" -ge 8192 ] || sed -i 's/^\([[:space:]]*\)worker_connections[[:space:]]*[0-9]*;/\1worker_connections 8192;/' "$1"
    grep -q '^worker_rlimit_nofile' "$1" || sed -i '0,/^events/s//worker_rlimit_nofile 16384;\nevents/' "$1"
}

# Without what the shell of whoever runs this has set: it would go before the .env of the instance.
as_web() { runuser -u www-data -- env -i PATH=/usr/local/bin:/usr/bin:/bin ROTA_HOME="${answer[INSTANCE]}" "$@"; }
artisan() { as_web php "${answer[CODE]}/current/artisan" "$@"; }

# As root of the database, who is known by the socket.
sql() { mariadb --socket="${answer[DATABASE_SOCKET]}" --default-character-set=utf8mb4 "$@"; }

services() {
    if [ "${answer[SERVICES]}" = systemctl ] && [ ! -d /run/systemd/system ]; then
        say "  systemd does not run here; to be done by hand: systemctl $*"
    else
        "${answer[SERVICES]}" "$@"
    fi
}

units() { local name; for name in "${unit_names[@]}"; do printf '%s-%s.service\n' "${answer[NAME]}" "$name"; done; }

restart_all() {
    local each said
    said=$(nginx -t -q -c "$prefix/etc/nginx/nginx.conf" 2>&1) || fail "nginx does not take its configuration; what ran goes on. $said"
    services daemon-reload
    services reload "php$php_version-fpm.service"
    services reload nginx.service
    mapfile -t each < <(units)
    services enable "${each[@]}"
    services restart "${each[@]}"
}

# Caches belong to a release: those of one are made while another serves.
make_caches() { # release
    as_web php "$1/artisan" config:cache --quiet
    as_web php "$1/artisan" route:cache --quiet
}

pending_migrations() { # release
    ! as_web php "$1/artisan" migrate:status --pending --no-ansi 2>/dev/null | grep -q 'No pending migrations'
}

# A release is code that is never changed; which one serves is said by a link.
lay_release() { # from: a folder with a RELEASE; sets: release
    local name
    name=$(<"$1/RELEASE")
    [[ $name =~ ^[A-Za-z0-9][A-Za-z0-9._-]*$ ]] || fail "$1/RELEASE names no release."
    release=${answer[CODE]}/releases/$name
    if [ "$1" -ef "$release" ]; then return; fi
    install -d -m 755 "${answer[CODE]}" "${answer[CODE]}/releases"
    rm -rf "$release.new"
    cp -r "$1" "$release.new"
    chown -R root:root "$release.new"
    chmod -R u=rwX,go=rX "$release.new"
    if [ -d "$release" ]; then
        # The same name is the same code; what was broken off is made whole.
        rm -rf "$release.old"
        mv "$release" "$release.old"
    fi
    mv "$release.new" "$release"
    rm -rf "$release.old"
}

point_to() { # link, folder
    ln -sfn "$2" "$1.new"
    mv -T "$1.new" "$1"
}

# A dump that holds together, with all that hangs on it; sets: archive.
take_backup() { # folder
    local stage
    install -d -m 700 "$1"
    archive=$1/${answer[NAME]}-$(date +%Y%m%d-%H%M%S).tar.gz
    stage=$(mktemp -d "$1/.stage-XXXXXX")
    # shellcheck disable=SC2064 # as it is now
    trap "rm -rf '$stage'" RETURN
    mariadb-dump --socket="${answer[DATABASE_SOCKET]}" --default-character-set=utf8mb4 --single-transaction --quick --no-tablespaces "${answer[DATABASE]}" >"$stage/database.sql"
    sql -N -e "SELECT migration FROM migrations ORDER BY migration" "${answer[DATABASE]}" >"$stage/migrations"
    cp "${answer[INSTANCE]}/.env" "$stage/env"
    cp "${answer[CODE]}/current/RELEASE" "$stage/RELEASE"
    (cd "$stage" && sha256sum database.sql migrations env RELEASE >sums)
    (umask 077 && tar -czf "$archive.new" -C "$stage" sums RELEASE migrations env database.sql -C "${answer[INSTANCE]}/storage" app)
    mv "$archive.new" "$archive"
}

# Puts a dump in the place of what the database holds.
load_dump() { # database.sql
    sql -e "DROP DATABASE IF EXISTS \`${answer[DATABASE]}\`; CREATE DATABASE \`${answer[DATABASE]}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci"
    sql "${answer[DATABASE]}" <"$1"
}

take_down() { artisan down --retry=60 --refresh=20 --quiet; }
take_up() { artisan up --quiet; }

answers_healthy() {
    local tries
    for tries in 1 2 3 4 5 6 7 8 9 10; do
        curl -ksf --connect-to "${answer[HOST]}:${answer[PORT]}:${answer[LISTEN]%:}:${answer[PORT]}" "${answer[URL]}/api/v1/health" >/dev/null && return 0
        sleep 1
    done
    return 1
}
