# shellcheck shell=bash
# Installs what a fresh Debian 12 machine lacks. Sourced by bin/demo, bin/test and bin/bench.

say() { printf '\033[2m%s\033[0m %s\n' "$(date +%H:%M:%S)" "$*"; }
fail() { printf 'Error: %s\n' "$*" >&2; exit 1; }

as_root() {
    if [ "$(id -u)" -eq 0 ]; then "$@"; else sudo "$@"; fi
}

# Debian's packages, without starting the system's own copies of the services: each instance runs its own.
install_packages() {
    local missing=() package
    for package in "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q '^install ok installed$' || missing+=("$package")
    done
    [ ${#missing[@]} -gt 0 ] || return 0
    say "Installing ${missing[*]}"
    local policy=/usr/sbin/policy-rc.d ours=
    if [ ! -e "$policy" ]; then
        printf '#!/bin/sh\nexit 101\n' | as_root tee "$policy" >/dev/null
        as_root chmod +x "$policy"
        ours=1
    fi
    local status=0
    as_root apt-get update -q >"$root/var/apt.log" 2>&1 || true
    as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}" >>"$root/var/apt.log" 2>&1 || status=$?
    [ -z "$ours" ] || as_root rm -f "$policy"
    [ "$status" -eq 0 ] || { tail -20 "$root/var/apt.log" >&2; fail "apt-get could not install ${missing[*]}; see var/apt.log"; }
}

# Runs a command again only when one of the files it depends on has changed since it last succeeded.
once_for() {
    local stamp="$root/var/stamps/$1" sum
    shift
    local files=()
    while [ "$1" != -- ]; do files+=("$1"); shift; done
    shift
    # What is made on the way is none of what it depends on.
    sum=$(cd "$root" && find "${files[@]}" -type f ! -path '*/generated/schema.ts' -print0 | sort -z | xargs -0 sha256sum | sha256sum)
    if [ ! -f "$stamp" ] || [ "$(cat "$stamp")" != "$sum" ]; then
        "$@"
        mkdir -p "$(dirname "$stamp")"
        printf '%s' "$sum" >"$stamp"
    fi
}

composer_install() {
    say 'Installing PHP packages'
    (cd "$root" && COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress --quiet) || fail 'composer install failed'
    php "$root/bin/pins" --check || fail 'the PHP packages are not those that were tried; see above'
}

npm_install() {
    say 'Installing front-end packages'
    # Not npm ci: it insists on the optional packages of platforms that the registry in use does not serve.
    (cd "$root" && npm install --no-save --no-audit --no-fund --loglevel=error >"$root/var/npm.log" 2>&1) || { tail -20 "$root/var/npm.log" >&2; fail 'npm install failed'; }
}

build_front_end() {
    say 'Building the front end'
    (cd "$root" && npm run --silent build >"$root/var/build.log" 2>&1) || { tail -30 "$root/var/build.log" >&2; fail 'the front end did not build'; }
}

install_dependencies() {
    mkdir -p "$root/var"
    command -v php >/dev/null || fail 'PHP 8.2 is needed (Debian package php8.2-cli).'
    command -v composer >/dev/null || fail 'Composer is needed (Debian package composer).'
    command -v node >/dev/null || fail 'Node.js 20 is needed.'
    install_packages mariadb-server-core mariadb-client-core nginx-light libnginx-mod-nchan \
        php8.2-fpm php8.2-mysql php8.2-curl php8.2-mbstring php8.2-intl php8.2-xml curl unzip "$@"
    [ -d "$root/vendor" ] && [ -d "$root/node_modules" ] || rm -rf "$root/var/stamps"
    once_for composer composer.json packages -- composer_install
    once_for npm package-lock.json -- npm_install
    once_for build package-lock.json docs/openapi.json resources vite.config.ts tsconfig.json -- build_front_end
}
