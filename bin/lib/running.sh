# Whether it runs, and starting it so that it goes on. Sourced.

# The lock goes with the script that holds it, however that ends; what is written in the file does not count.
is_running() {
    [ -e "$running/start.lock" ] || return 1
    ! (flock -n 8) 8>>"$running/start.lock"
}

# Starts the script $1 in a session of its own and tells what it says until it serves.
detached() {
    local log="$logs/start.log" pid said=0 line
    turn_log "$log" 0
    : | private_file "$log"
    setsid nohup "$1" >>"$log" 2>&1 </dev/null &
    pid=$!
    while true; do
        while IFS= read -r line; do
            said=$((said + 1))
            [ -z "$line" ] || printf '%s\n' "$line"
        done < <(tail -n +$((said + 1)) "$log")
        if [ -f "$running/port" ] && is_running && [ "$(cat "$running/start.pid" 2>/dev/null)" = "$pid" ]; then
            say "it goes on in the background; bin/stop stops it, $log is its log"
            return 0
        fi
        is_alive "$pid" || exit 1
        sleep 0.2
    done
}

# Says that a server stopped and is started again; gives up where that happens all the time.
again() {
    starts=$((starts + 1))
    [ $starts -le 20 ] || fail "$1 stopped over and over; the logs are in $logs."
    say "$1 stopped; starting it again"
}

turn_logs() {
    local log
    for log in "$logs"/*.log; do turn_log "$log"; done
    kill -USR1 "$web_pid" "$php_pid" 2>/dev/null || true
    sql 'FLUSH ERROR LOGS' 2>/dev/null || true
}

# Whether there is anything to keep: a first start that was broken off leaves tables with nothing in them, and not all of them.
holds_anything() {
    local table
    for table in gardens library_items; do
        [ "$(sql "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = 'kelp' AND table_name = '$table'" | tail -n 1)" = 1 ] || continue
        [ "$(sql "SELECT EXISTS (SELECT 1 FROM kelp.$table)" | tail -n 1)" = 0 ] || return 0
    done
    return 1
}

# Whose gardens whoever sits at this machine sees: the first grower's, where there is one.
first_grower() { sql 'SELECT id FROM kelp.growers ORDER BY created_at, id LIMIT 1' | tail -n +2; }

version_here() { sed -n "s/.*NUMBER = '\(.*\)'.*/\1/p" "$root/app/Version.php"; }

# Changes of the tables that were made by a newer version than this one.
unknown_changes() {
    local known
    [ "$(sql "SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = 'kelp' AND table_name = 'migrations'" | tail -n 1)" = 1 ] || return 0
    known=$(find "$root/database/migrations" -name '*.php' -printf '%f\n' | sed 's/\.php$//' | sort)
    comm -13 <(echo "$known") <(sql 'SELECT migration FROM kelp.migrations' | tail -n +2 | sort)
}

# The tables as this version wants them. Before another version than the last goes on with them, what is there is kept in a file.
bring_up_to_date() {
    local unknown last
    unknown=$(unknown_changes | tr '\n' ' ')
    [ -z "$unknown" ] || fail "the gardens in $data were kept by a newer Kelp Tub than this one ($(version_here) does not know: ${unknown% }). Start that version; or bin/restore --whole with a backup of this one."
    last=$(cat "$data/version" 2>/dev/null || true)
    if [ "$last" != "$(version_here)" ] && holds_anything; then
        backup_to "$backups/before-update-$(date +%Y-%m-%d-%H%M%S).zip"
        keep_last_backups
    fi
    step "bringing the database up to date" artisan_as_owner migrate --force
    version_here | private_file "$data/version"
}

# The database that was there before a backup was put back stays until this one answers.
let_go_of_before() {
    [ -d "$data/mariadb.before" ] || return 0
    case $(curl -s --max-time 10 --noproxy '*' "http://127.0.0.1:$1/up" || true) in
        *'"database":"answers"'*) rm -rf "$data/mariadb.before" ;;
    esac
}
