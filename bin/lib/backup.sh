# Everything in one file: gardens and Library as open JSON, and the database as it is. Sourced.

# backup_to FILE: whole or not at all. What is read again are the two files of JSON; the SQL is for going back to a version before 0.8.0.
backup_to() {
    local file=$1 work
    work=$(mktemp -d "$running/backup-XXXXXXXX")
    [ ${#as[@]} = 0 ] || chown "$owner:" "$work"
    step "keeping everything in $file" write_backup "$file" "$work"
    rm -rf "$work"
}
write_backup() {
    local file=$1 work=$2
    artisan_as_owner kelp:everything "$work/kelp-tub.json" --rows="$work/rows.jsonl" &&
        "${as[@]}" mariadb-dump --no-defaults --user="$owner" --socket="$db_socket" --single-transaction --skip-comments --no-tablespaces --databases kelp >"$work/database.sql" &&
        php "$root/bin/lib/zip.php" pack "$work/new.zip" "$work/kelp-tub.json" "$work/rows.jsonl" "$work/database.sql" "$photos" &&
        keep_file "$work/new.zip" "$file" && sync -f "$file"
}
# In the folder of backups it is the owner's; elsewhere it is theirs who asked for it.
keep_file() {
    case $2 in
        "$backups"/*) private_file "$2" <"$1" ;;
        *) (umask 077 && cat "$1" >"$2.new") && mv "$2.new" "$2" ;;
    esac
}

# Takes the files of a backup out of it, into the folder $2; they are the owner's, who may not be able to read the backup itself. Versions
# before this one kept the rows as SQL: it is read as data like the rest.
unpack_backup() {
    local name rows=rows.jsonl
    php "$root/bin/lib/zip.php" has "$1" rows.jsonl || rows=database.sql
    # What the page hands out as one file has gardens and photographs, and no rows.
    [ $rows = rows.jsonl ] || php "$root/bin/lib/zip.php" has "$1" database.sql || ! php "$root/bin/lib/zip.php" has "$1" "photos/" || rows=
    for name in kelp-tub.json $rows; do
        php "$root/bin/lib/zip.php" take "$1" "$name" "$2/taken" && private_file "$2/$name" <"$2/taken" && rm -f "$2/taken" || return 1
    done
    private_folder "$2/photos" && php "$root/bin/lib/zip.php" photos "$1" "$2" || return 1
    [ ${#as[@]} = 0 ] || chown -R "$owner:" "$2/photos"
}

# Makes a database of the rows in $1, in a folder of its own beside the one that is there, which is not touched.
build_aside() {
    rm -rf "$data/mariadb.coming"
    (
        trap 'stop_database' EXIT
        database "$data/mariadb.coming"
        artisan_as_owner kelp:put-back "$1" >"$1/said" 2>&1 || fail "$(last_line "$1/said" | sed 's/^Error: //') Nothing here was changed."
    ) || exit 1
    sync -f "$data/mariadb.coming"
}

# Puts what was built aside in the place of what is there. Broken off at any moment, the next command that needs the database goes on with it.
change_over() {
    rm -rf "$data/mariadb.before"
    date -u +%Y-%m-%dT%H:%M:%SZ | private_file "$data/changing-over"
    sync -f "$data"
    go_on_changing_over
}
go_on_changing_over() {
    if [ -e "$data/changing-over" ]; then
        if [ -d "$data/mariadb.coming" ]; then
            if [ -e "$data/mariadb" ]; then
                # One that was only half there is nothing to go back to, and nobody's to remove.
                [ -z "$(lacking "$data/mariadb")" ] && mv -T "$data/mariadb" "$data/mariadb.before" || mv -T "$data/mariadb" "$data/mariadb.half-$(date +%Y-%m-%d-%H%M%S)"
            fi
            mv -T "$data/mariadb.coming" "$data/mariadb"
            sync -f "$data"
        fi
        rm -f "$data/changing-over"
    fi
    # What was not finished was not said to be good.
    rm -rf "$data/mariadb.coming"
}

# What broken-off backups and restores left.
remove_left_over() { rm -rf "$running"/backup-* "$running"/restore-*; }

# The database that runs, or one that is started for as long as this script needs it.
with_database() {
    if is_running; then
        db_socket=$(cat "$running/socket")
        # What serves is left where it is.
        if [ -d "$data/app" ]; then app="$data/app"; else app=$root; fi
        return
    fi
    application_folder
    exec 9>>"$running/start.lock"
    flock -w 3 9 || fail "Kelp Tub is starting; try again in a moment."
    trap 'rm -rf "${work:-}"; stop_database; remove_sockets' EXIT
    stop_left_over
    remove_left_over
    go_on_changing_over
    forget_made
    database "$data/mariadb"
}

# Of the backups that updates made the last ten are kept; what someone asked for is theirs to remove.
keep_last_backups() {
    find "$backups" -name 'before-update-*.zip' | sort | head -n -10 | while IFS= read -r file; do rm -f "$file"; done
}
