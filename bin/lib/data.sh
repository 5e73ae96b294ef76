# Where gardens are kept: outside the checkout, so that neither a start nor a new checkout touches them. Sourced.

# data_folder [FOLDER]: sets data and what lies in it. With a folder given (tests) that one; else KELP_DATA, or the usual place.
data_folder() {
    local place=${1:-${KELP_DATA:-}}
    if [ -z "$place" ]; then
        if [ "$(id -u)" = 0 ]; then place=/var/lib/kelp-tub; else [ -n "${XDG_DATA_HOME:-}${HOME:-}" ] || fail "HOME is not set, so there is no usual place for your gardens; say where with KELP_DATA=/a/folder."; place="${XDG_DATA_HOME:-${HOME:-}/.local/share}/kelp-tub"; fi
    fi
    case $place in /*) ;; *) fail "KELP_DATA is \"$place\"; it must be a whole path, from /." ;; esac
    data=${place%/}
    running="$data/run" logs="$data/logs" secrets="$data/secrets" storage="$data/storage" photos="$data/photos" backups="$data/backups"
    [ -d "$data" ] || mkdir -p "$data" 2>/dev/null || fail "cannot make the folder $data; choose another with KELP_DATA=/a/folder."
    local whose
    whose=$(stat -c %U "$data")
    case $whose in
        "$owner") ;;
        root) [ "$(id -u)" = 0 ] && [ -z "$(ls -A "$data")" ] || fail "$data belongs to root; start as root, or choose another folder with KELP_DATA=/a/folder." ;;
        *) fail "$data belongs to $whose; start as $whose, or choose another folder with KELP_DATA=/a/folder." ;;
    esac
    private_folder "$data" "$running" "$logs" "$secrets" "$backups" "$photos" "$storage" "$storage"/{logs,framework,framework/cache,framework/views} ||
        fail "cannot write to $data; choose another folder with KELP_DATA=/a/folder."
    "${as[@]}" test -w "$data" || fail "$owner, as whom Kelp Tub runs, cannot reach $data; choose another folder with KELP_DATA=/a/folder."
    # Paths of sockets are short by nature, and files of settings take no path with a space, a quote or a dollar sign in it.
    sockets=$running
    if [ $((${#running} + 16)) -ge 100 ] || ! is_plain "$running" || ! is_plain "$root"; then
        sockets=$(mktemp -d /tmp/kelp-XXXXXXXX) && private_folder "$sockets"
    fi
}

is_plain() { case $1 in *[!A-Za-z0-9/._-]*) return 1 ;; esac; }

# plain PATH: the path, or where it has signs that settings do not take, a link to it that has none.
plain() {
    local link
    is_plain "$1" && { echo "$1"; return; }
    link="$sockets/$(printf '%s' "$1" | sha256sum | cut -c1-12)"
    [ -L "$link" ] || { ln -s "$1" "$link" && { [ ${#as[@]} = 0 ] || chown -h "$owner:" "$link"; }; }
    echo "$link"
}
# Takes away the folder of links and sockets, if there is one of its own.
remove_sockets() { [ "${sockets:-}" = "${running:-}" ] || rm -rf "${sockets:-}"; }

check_room() {
    local free
    free=$(df -Pm "$data" | awk 'NR==2 {print $4}')
    [ "$free" -ge "${KELP_DATA_MB:-300}" ] || fail "only $free MB are free on the disk of $data; ${KELP_DATA_MB:-300} MB are needed."
}

# A folder for the databases of tests, in memory where that can be; sets data as data_folder does.
passing_folder() {
    local place
    place=$(mktemp -d "$([ -w /dev/shm ] && echo /dev/shm || echo "${TMPDIR:-/tmp}")/kelp-$1-XXXXXXXX")
    data_folder "$place"
}

# The database that the version before kept in the checkout (or KELP_OLD_DATA) comes along, once. What was there stays, under another name.
take_over() {
    local old=${KELP_OLD_DATA:-$run/mariadb}
    [ -d "$old/mysql" ] || return 0
    if [ -e "$data/mariadb" ]; then
        say "there is an older database in $old too; it is left as it is (docs/operating.md tells how to read it in)"
        return 0
    fi
    if [ -e "$run/start.lock" ]; then
        (flock -n 8) 8>>"$run/start.lock" || fail "the version before still runs from this folder; stop it with Ctrl-C there first."
    fi
    rm -rf "$data/mariadb.coming"
    step "moving your gardens from $old to $data" copy_whole "$old" "$data/mariadb.coming"
    mv "$data/mariadb.coming" "$data/mariadb"
    mv "$old" "$old.moved"
    say "your gardens are in $data now; $old.moved is the folder as it was and may be removed"
}
copy_whole() {
    cp -a "$1" "$2" || return 1
    [ ${#as[@]} = 0 ] || chown -R "$owner:" "$2" || return 1
    sync -f "$2"
}

# The password of the application at its database, made once.
database_password() {
    local file="$secrets/database"
    [ -s "$file" ] || head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' | private_file "$file"
    cat "$file"
}

# The application's own key, made once.
application_key() {
    local file="$secrets/key"
    [ -s "$file" ] || printf 'base64:%s' "$(head -c 32 /dev/urandom | base64 -w0)" | private_file "$file"
    cat "$file"
}

# What is remembered of lids is only as good as the code that found it, and not kept for ever. Shelves and views are made again by the code
# that is there now.
forget_made() {
    local kept="$storage/framework/cache/layouts" now
    rm -rf "$storage/framework/cache/library" "$storage/framework/views"
    # Settings kept by an earlier run name another port of the database.
    rm -f "$storage"/framework/{config,routes,preload,packages,services,events}.php
    private_folder "$storage/framework/views"
    now=$(digest core)
    if [ "$(cat "$storage/layouts.stamp" 2>/dev/null)" != "$now" ]; then
        rm -rf "$kept"
        echo "$now" | private_file "$storage/layouts.stamp"
    fi
    [ ! -d "$kept" ] || find "$kept" -type f -mtime +30 -delete
}
