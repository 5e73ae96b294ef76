# Servers as processes: who they run as, how they are started so that none outlives its script, and how they are found and stopped. Sourced.

# What lets a server bind a port that is kept for root, for as long as it is launched.
bind=()

# Who the servers run as (owner), and what makes a command run so (as). Nothing is served as root: root makes a user for it.
account() {
    owner=$(id -un) as=()
    [ "$(id -u)" = 0 ] || return 0
    owner=kelp-tub
    id -u "$owner" >/dev/null 2>&1 || step "making the user $owner" useradd --system --user-group --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin "$owner"
    as=(setpriv --reuid="$owner" --regid="$owner" --init-groups --no-new-privs env HOME=/nonexistent)
}

# Makes folders that only the owner may look into.
private_folder() {
    local folder
    for folder in "$@"; do
        mkdir -p "$folder" && chmod 700 "$folder" || return 1
        [ ${#as[@]} = 0 ] || chown "$owner:" "$folder" || return 1
    done
}

# Writes standard input to $1, whole or not at all, for the owner's eyes only.
private_file() {
    (umask 077 && cat >"$1.new") || return 1
    [ ${#as[@]} = 0 ] || chown "$owner:" "$1.new" || return 1
    mv "$1.new" "$1"
}

# launch NAME LOG COMMAND…: starts a server in a process group of its own and leaves its pid in launched. It is told to stop (TERM) when this
# script dies, however that happens.
launch() {
    local name=$1 log=$2; shift 2
    [ -e "$log" ] || : | private_file "$log"
    # 9 is the lock of bin/start: a server that holds it would speak for a script that is gone.
    # It begins in the folder of this installation, by which it is known as ours.
    (cd "$running" && exec setsid "${as[@]:0:1}" "${bind[@]}" "${as[@]:1}" setpriv --pdeathsig TERM "$@") >>"$log" 2>&1 </dev/null 9>&- &
    launched=$!
    disown
    echo "$launched" | private_file "$running/$name.pid"
}

is_alive() { [ -n "${1:-}" ] && [ -d "/proc/$1" ] && [ "$(state_of "$1")" != Z ]; }
state_of() { { sed 's/^.*) //' "/proc/$1/stat" | cut -d' ' -f1; } 2>/dev/null; }

# The processes of group $1 that are not dead yet.
group() {
    local stat rest
    for stat in /proc/[0-9]*/stat; do
        { rest=$(<"$stat"); } 2>/dev/null || continue
        rest=${rest##*) }
        # shellcheck disable=SC2086
        set -- "$1" $rest
        [ "$4" != "$1" ] || [ "$2" = Z ] || basename "$(dirname "$stat")"
    done
}

# stop_group PID SECONDS: asks the server and all of its workers to stop, waits, and makes those stop that have not.
stop_group() {
    local pid=$1 tenths=$(($2 * 10)) waited=0
    kill -TERM "$pid" 2>/dev/null || kill -TERM -- "-$pid" 2>/dev/null || true
    while [ -n "$(group "$pid")" ] && [ $waited -lt $tenths ]; do
        # Workers whose master is gone are nobody's: they are asked themselves.
        is_alive "$pid" || kill -TERM -- "-$pid" 2>/dev/null || true
        sleep 0.1; waited=$((waited + 1))
    done
    kill -KILL -- "-$pid" 2>/dev/null || true
}

# Whether process $1 is a server by its name, and one of this installation: it works in a folder of it. Those of the version before began in the
# checkout, and name a file of ours.
is_server() { grep -qE '^(mariadbd|nginx|php-fpm)' "/proc/$1/comm" 2>/dev/null; }
is_ours() {
    local here argument
    is_server "$1" || return 1
    here=$(readlink "/proc/$1/cwd" 2>/dev/null) || return 1
    case ${here% (deleted)} in "$data" | "$data"/* | "$(readlink -f "$data")"/*) return 0 ;; "$root" | /) ;; *) return 1 ;; esac
    while IFS= read -r argument; do
        case $argument in "$running"/* | *"=$running"/* | *" $running"/* | *"($running"/*) return 0 ;; esac
    done < <(tr -s '\0' '\n' <"/proc/$1/cmdline" 2>/dev/null)
    return 1
}

# The process that holds the lock of this installation: bin/start, whatever was written down. What it is just starting holds the lock with it
# for a moment, so it is the eldest of those that do.
lock_holder() {
    local descriptor holders=()
    for descriptor in /proc/[0-9]*/fd/9; do
        [ ! "$descriptor" -ef "$running/start.lock" ] || { descriptor=${descriptor#/proc/}; holders+=("${descriptor%%/*}"); }
    done
    eldest "${holders[@]}"
}

# The first of the processes $@ whose parent is none of them; nothing where they are gone.
eldest() {
    local pid stat
    for pid in "$@"; do
        { stat=$(<"/proc/$pid/stat"); } 2>/dev/null || continue
        # shellcheck disable=SC2086
        stat=(${stat##*) })
        case " $* " in *" ${stat[1]} "*) ;; *) echo "$pid"; return ;; esac
    done
}

# Closes what whoever started this script had open besides: a server that kept it would keep a reader of it waiting.
close_inherited() {
    local descriptor
    for descriptor in "/proc/$$/fd"/*; do
        descriptor=${descriptor##*/}
        # 255 is where bash reads this script from.
        [ "$descriptor" -le 2 ] || [ "$descriptor" = 255 ] || exec {descriptor}>&-
    done
}

# What an earlier script left running: found by the pid it wrote down, and by the folder that a server was started with, whatever was written.
stop_left_over() {
    local name pid file command member
    for name in nginx php-fpm mariadb; do
        file="$running/$name.pid"
        pid=$(cat "$file" 2>/dev/null || true)
        case $pid in '' | *[!0-9]*) continue ;; esac
        # A number that was written down long ago may be somebody else's by now. Workers whose master is gone have nobody to ask but its number.
        for member in $(group "$pid"); do
            if is_alive "$pid" && ! is_ours "$pid"; then break; fi
            if is_ours "$member" || { ! is_alive "$pid" && is_server "$member"; }; then
                say "stopping $name, which an earlier start left running"
                stop_group "$pid" 60
                break
            fi
        done
        rm -f "$file"
    done
    for command in /proc/[0-9]*/cmdline; do
        pid=$(basename "$(dirname "$command")")
        if is_ours "$pid"; then
            say "stopping a server that an earlier start left running"
            stop_group "$pid" 60
        fi
    done
}

# Writes the log on where it grows long: $1 and three before it are kept.
turn_log() {
    local n
    [ -f "$1" ] && [ "$(stat -c %s "$1")" -ge "${2:-5000000}" ] || return 0
    for n in 2 1; do [ ! -f "$1.$n" ] || mv "$1.$n" "$1.$((n + 1))"; done
    mv "$1" "$1.1"
}
